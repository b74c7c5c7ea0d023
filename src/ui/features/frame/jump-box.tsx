'use client'

import { Dialog } from 'radix-ui'
import { useEffect, useMemo, useState } from 'react'
import type { StoredRun } from '@/store/database'
import { DialogPanel } from '../../kit/dialog-panel'
import { controlledActionOf } from '../../state/keys/keys'
import { startRun } from '../../state/run/session'
import { crawlFrom } from '../../state/run/sources'
import { useRows } from '../../state/run/use-run'
import { useSurfaces } from '../../state/surface/use-surfaces'
import { FIRST_AREA, stops } from '../../state/view/areas'
import type { GoTo } from '../../state/view/use-view'
import type { RouteState } from '../../state/view/view'
import { AreaBoundary } from './area-boundary'

type Target = { id: string; name: string; hint: string; go: () => void }

/** Targets shown at once. */
const MAX_SHOWN = 12

/** Do all words of the question stand in the text, in any order? */
export function matchesWords(text: string, question: string): boolean {
  const lower = text.toLowerCase()
  return question
    .toLowerCase()
    .split(/\s+/)
    .every((word) => lower.includes(word))
}

/** The first of a list that are wanted: what comes after them is not looked at. */
function firstOf<T>(list: readonly T[], most: number, isWanted: (one: T) => boolean): T[] {
  const found: T[] = []
  for (const one of list) {
    if (found.length >= most) break
    if (isWanted(one)) found.push(one)
  }
  return found
}

/** Goes anywhere: pages, areas, surfaces, actions. Opens with Ctrl K or ⌘K. */
export function JumpBox({
  view,
  goTo,
  run,
  demo,
}: {
  view: RouteState
  goTo: GoTo
  run: StoredRun | null
  demo: string | null
}) {
  const [isOpen, setIsOpen] = useState(false)
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (controlledActionOf(event) === 'jump') {
        event.preventDefault()
        setIsOpen(true)
      }
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])
  return (
    <Dialog.Root open={isOpen} onOpenChange={setIsOpen}>
      <Dialog.Trigger className="flex h-8 shrink-0 items-center gap-2 whitespace-nowrap rounded-card bg-white/8 px-3 text-bar-quiet hover:bg-white/15 max-md:hidden">
        Jump <kbd className="key">Ctrl K</kbd>
      </Dialog.Trigger>
      <DialogPanel
        title="Jump to a page, an area or an action"
        titleClassName="sr-only"
        className="w-[min(560px,94vw)] overflow-hidden"
      >
        <AreaBoundary name="The list" resetKey={view.run ?? ''}>
          <JumpList view={view} goTo={goTo} run={run} demo={demo} close={() => setIsOpen(false)} />
        </AreaBoundary>
      </DialogPanel>
    </Dialog.Root>
  )
}

function JumpList({
  view,
  goTo,
  run,
  demo,
  close,
}: {
  view: RouteState
  goTo: GoTo
  run: StoredRun | null
  demo: string | null
  close: () => void
}) {
  const [question, setQuestion] = useState('')
  const surfaces = useSurfaces()
  const [at, setAt] = useState(0)
  const rows = useRows(view.run)
  const targets = useMemo((): Target[] => {
    const areaTargets: Target[] = stops
      .filter(({ id }) => run || id === FIRST_AREA)
      .map(({ id, name }) => ({
        id,
        name,
        hint: 'area',
        go: () => goTo(id === FIRST_AREA ? { area: id, page: null } : { area: id }),
      }))
    const places = run
      ? surfaces.map((surface) => ({
          id: surface.id,
          name: surface.name,
          hint: 'surface',
          go: () => goTo({ area: 'wall', surface: surface.id }),
        }))
      : []
    const pages = (rows ?? []).map((row) => ({
      id: `page ${row.url}`,
      name: row.path,
      // Of thousands of pages only those are asked for their titles that are looked through.
      get hint() {
        return row.faces[surfaces[0]!.id]?.title ?? ''
      },
      go: () => goTo({ area: 'page', page: row.path }),
    }))
    const actions: Target[] = demo
      ? [
          {
            id: 'demo',
            name: 'Gather the demo',
            hint: 'action',
            go: () => goTo({ area: 'gather', run: startRun(crawlFrom(demo)), page: null }),
          },
        ]
      : []
    return [...areaTargets, ...places, ...actions, ...pages]
  }, [rows, run, demo, goTo, surfaces])
  const shown = firstOf(targets, MAX_SHOWN, ({ name, hint }) => matchesWords(`${name} ${hint}`, question))
  const choose = (target: Target | undefined) => {
    if (!target) return
    close()
    target.go()
  }
  return (
    <div>
      <input
        // biome-ignore lint/a11y/noAutofocus: the box was opened to type into it
        autoFocus
        role="combobox"
        aria-expanded="true"
        aria-controls="jump-targets"
        aria-activedescendant={shown[at] ? `jump-${at}` : undefined}
        aria-label="Page, area or action"
        placeholder="Page, area or action"
        className="h-12 w-full border-b border-line bg-transparent px-4 text-lead outline-none"
        value={question}
        onChange={(event) => {
          setQuestion(event.target.value)
          setAt(0)
        }}
        onKeyDown={(event) => {
          if (event.key === 'ArrowDown') setAt(Math.min(at + 1, shown.length - 1))
          else if (event.key === 'ArrowUp') setAt(Math.max(at - 1, 0))
          else if (event.key === 'Enter') choose(shown[at])
          else return
          event.preventDefault()
        }}
      />
      <div id="jump-targets" role="listbox" aria-label="Targets" className="max-h-[50vh] overflow-auto p-1">
        {shown.length === 0 && <p className="px-3 py-4 text-quiet">Nothing is called that. Try a part of a path.</p>}
        {shown.map((target, index) => (
          <button
            key={target.id}
            id={`jump-${index}`}
            role="option"
            aria-selected={index === at}
            type="button"
            tabIndex={-1}
            onMouseMove={() => setAt(index)}
            onClick={() => choose(target)}
            className="flex w-full items-baseline gap-3 rounded px-3 py-[6px] text-left aria-selected:bg-pick-soft"
          >
            <span className="truncate font-mono text-small">{target.name}</span>
            <span className="ml-auto max-w-[50%] truncate text-quiet">{target.hint}</span>
          </button>
        ))}
      </div>
    </div>
  )
}
