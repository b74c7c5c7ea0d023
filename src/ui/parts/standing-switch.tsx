'use client'

import { clsx } from 'clsx'
import type { AccessMode as RunView } from '@/core/model'
import type { GoTo } from '../state/view/use-view'
import type { RouteState } from '../state/view/view'

const SIDES: { side: RunView; name: string; about: string }[] = [
  { side: 'standing', name: 'As it stands', about: 'robots.txt and logins count: what crawlers would get today.' },
  { side: 'launched', name: 'As launched', about: 'robots.txt and logins don’t count: what crawlers will get.' },
]

/** Cards with robots.txt and logins counted, or as they will be in production. */
export function StandingSwitch({ view, goTo, own }: { view: RouteState; goTo: GoTo; own: RunView }) {
  const shown = view.as ?? own
  return (
    <fieldset className="flex rounded-[6px] border border-line bg-sheet p-[2px]">
      <legend className="sr-only">What crawlers are let in to</legend>
      {SIDES.map(({ side, name, about }) => (
        <button
          key={side}
          type="button"
          aria-pressed={shown === side}
          title={about}
          onClick={() => goTo({ as: side === own ? null : side }, 'replace')}
          className={clsx(
            'h-[21px] whitespace-nowrap rounded-[4px] px-[7px] text-[12px]',
            shown === side ? 'bg-soft font-semibold' : 'text-quiet hover:text-ink',
          )}
        >
          {name}
        </button>
      ))}
    </fieldset>
  )
}
