'use client'

import { useEffect, useMemo, useState } from 'react'
import type { SignOffDifference } from '@/core/report'
import type { StoredRun } from '@/store/database'
import { signOff } from '@/store/runs'
import { FileButton } from '../../kit/file-button'
import { saveFile } from '../../kit/save-file'
import { count, dayAndTime } from '../../kit/words'
import { SheetMenu } from '../../parts/sheet/sheet-menu'
import { useRuns } from '../../state/run/use-run'
import { useSurfaces } from '../../state/surface/use-surfaces'
import { holdAgainst, signRun } from './recheck'
import { sheetOfDifference } from './signed-difference'

/** What is here against what somebody signed: not known yet, the same, or in what it differs. */
type Held =
  | { kind: 'asking' }
  | { kind: 'held'; differs: string[]; difference: SignOffDifference; signature: string }
  | { kind: 'failed'; message: string }

const wordsOf = (error: unknown) => (error instanceof Error ? error.message : String(error))

/** Holds a run against what was signed in one, again whenever it is judged again. */
function useHeld(run: StoredRun, signed: StoredRun | null, signers: string | undefined): Held | null {
  const [held, setHeld] = useState<Held | null>(null)
  const id = signed?.signedOff?.content ? signed.id : null
  const { touchedAt } = run
  // biome-ignore lint/correctness/useExhaustiveDependencies: judged again, the run has another content
  useEffect(() => {
    let isGone = false
    if (id === null) {
      setHeld(null)
      return
    }
    setHeld({ kind: 'asking' })
    holdAgainst(run.id, id, signers)
      .then((found) => isGone || setHeld({ kind: 'held', ...found }))
      .catch((error) => isGone || setHeld({ kind: 'failed', message: wordsOf(error) }))
    return () => {
      isGone = true
    }
  }, [run.id, id, touchedAt, signers])
  return held
}

/**
 * Somebody's yes. It is of a content: what every card shows, what was waived and required. A run that differs in any of
 * it is not what was signed, and says in what.
 */
export function SignOffDesk({ run }: { run: StoredRun }) {
  const runs = useRuns()
  const [chosen, setChosen] = useState<string | null>(null)
  const signedRuns = useMemo(() => (runs ?? []).filter(({ signedOff }) => signedOff?.content), [runs])
  const signed = useMemo(() => {
    if (run.signedOff) return run
    const ofSite = signedRuns.find(({ source }) => source.site === run.source.site)
    return ofSite ?? signedRuns.find(({ id }) => id === chosen) ?? null
  }, [run, signedRuns, chosen])
  // Staging is signed under its own address, and production is held against it.
  const elsewhere =
    signed && signed.id !== chosen ? [] : signedRuns.filter(({ source }) => source.site !== run.source.site)
  const [signers, setSigners] = useState<{ name: string; text: string } | null>(null)
  const held = useHeld(run, signed, signers?.text)
  return (
    <section aria-label="Sign-off" className="grid justify-items-end gap-2 max-md:justify-items-start">
      {signed && <Standing run={run} signed={signed} held={held} />}
      {elsewhere.length > 0 && (
        <label className="flex items-center gap-2 text-small">
          Hold this against what was signed of
          <select
            className="field h-[28px]! w-auto!"
            value={chosen ?? ''}
            onChange={({ target }) => setChosen(target.value || null)}
          >
            <option value="">choose …</option>
            {elsewhere.map(({ id, source, signedOff }) => (
              <option key={id} value={id}>
                {new URL(source.site).host}, {signedOff!.by}, {dayAndTime(signedOff!.at)}
              </option>
            ))}
          </select>
        </label>
      )}
      {signed && (
        <FileButton
          className="order-last print:hidden"
          label="A signers file: whose signatures count"
          onChosen={([file]) => void file.text().then((text) => setSigners({ name: file.name, text }))}
        >
          {signers ? `Signers: ${signers.name}` : 'Check signers …'}
        </FileButton>
      )}
      {run.signedOff ? <Signed run={run} signedOff={run.signedOff} /> : <SignForm run={run} />}
    </section>
  )
}

/** What is here, beside what was signed. */
function Standing({ run, signed, held }: { run: StoredRun; signed: StoredRun; held: Held | null }) {
  const { by, at } = signed.signedOff!
  const isOwn = signed.id === run.id
  const isSameSite = signed.source.site === run.source.site
  if (held === null || held.kind === 'asking') return null
  if (held.kind === 'failed') return <p className="text-wrong">{held.message}</p>
  if (held.differs.length === 0)
    return (
      <div className={`text-right max-md:text-left ${isOwn ? 'order-last' : ''}`}>
        {!isOwn && (
          <p className="text-good">
            What {by} approved on {dayAndTime(at)} is what is here{isSameSite ? '' : ', address for address'}.
          </p>
        )}
        <p className="text-small text-quiet">{held.signature}</p>
      </div>
    )
  return (
    <div role="alert" className="max-w-[520px] text-right">
      <p className="font-semibold text-wrong">
        {isOwn ? 'The sign-off is void: ' : ''}This is not what {by} signed on {dayAndTime(at)}.
      </p>
      <ul className="text-small">
        {held.differs.map((sentence) => (
          <li key={sentence}>{sentence}</li>
        ))}
      </ul>
      {!isOwn && <DifferenceAsCards signed={signed} run={run} difference={held.difference} />}
    </div>
  )
}

/** The cards that are not those that were signed, each beside what was. */
function DifferenceAsCards({
  signed,
  run,
  difference,
}: {
  signed: StoredRun
  run: StoredRun
  difference: SignOffDifference
}) {
  const surfaces = useSurfaces()
  const { changed, added, removed } = difference
  if (changed.length + added.length + removed.length === 0) return null
  const counted = surfaces.filter(({ id }) => signed.signedOff?.content?.surfaces.includes(id) ?? true)
  const drawing = async () => ({
    file: `changed-since-sign-off-${new URL(run.source.site).host}`,
    drawing: await sheetOfDifference(signed, run, difference, counted),
  })
  return (
    <span className="mt-2 inline-block">
      <SheetMenu name="The difference as cards" drawing={drawing} />
    </span>
  )
}

function Signed({ run, signedOff }: { run: StoredRun; signedOff: NonNullable<StoredRun['signedOff']> }) {
  const { by, at, errors, content } = signedOff
  return (
    <p className="text-right max-md:text-left">
      Signed off by <b className="font-semibold">{by}</b>, {dayAndTime(at)}
      {errors > 0 && `, with ${count(errors, 'error')}`}
      {content?.reason && <>: “{content.reason}”</>}.{' '}
      {content && (
        <button
          type="button"
          className="text-pick hover:underline"
          onClick={() => saveFile('sign-off.json', `${JSON.stringify(content, null, 2)}\n`, 'application/json')}
        >
          Save it
        </button>
      )}{' '}
      <button type="button" className="text-pick hover:underline" onClick={() => void signOff(run.id, undefined)}>
        Take back
      </button>
    </p>
  )
}

/** Asks for a name, and with errors in the way for the reason. */
function SignForm({ run }: { run: StoredRun }) {
  const [by, setBy] = useState('')
  const [reason, setReason] = useState('')
  const [key, setKey] = useState<File | null>(null)
  const [state, setState] = useState<'idle' | 'signing' | string>('idle')
  const errors = run.summary?.error ?? 0
  const isReady = by.trim() !== '' && (errors === 0 || reason.trim() !== '') && run.summary !== null
  const sign = async () => {
    setState('signing')
    try {
      await signRun(run.id, by.trim(), reason.trim() === '' ? undefined : reason.trim(), await key?.text())
      setState('idle')
    } catch (error) {
      setState(wordsOf(error))
    }
  }
  return (
    <form
      className="flex flex-wrap justify-end gap-2 max-md:justify-start print:hidden"
      onSubmit={(event) => {
        event.preventDefault()
        if (isReady) void sign()
      }}
    >
      {errors > 0 && (
        <input
          className="field w-[260px]!"
          aria-label={`Why, with ${count(errors, 'error')}`}
          placeholder={`Why, with ${count(errors, 'error')} in the way`}
          value={reason}
          onChange={(event) => setReason(event.target.value)}
        />
      )}
      <input
        className="field w-[150px]!"
        aria-label="Your name, to sign off"
        placeholder="Your name"
        value={by}
        onChange={(event) => setBy(event.target.value)}
      />
      <FileButton label="A key to sign with" onChosen={([file]) => setKey(file)}>
        {key ? key.name : 'Key file …'}
      </FileButton>
      <button
        type="submit"
        className={run.summary?.clear ? 'button button-main' : 'button'}
        disabled={!isReady || state === 'signing'}
      >
        {state === 'signing' ? 'Signing …' : 'Sign off'}
      </button>
      {state !== 'idle' && state !== 'signing' && (
        <span role="alert" className="w-full text-right text-wrong">
          {state}
        </span>
      )}
    </form>
  )
}
