'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import { useCallback, useEffect, useState } from 'react'
import { type Answer, type PersonQuestion, type Requirements, subjectOfAnswer } from '@/core/requirements'
import { sectionName } from '@/core/section'
import { mainPlace } from '@/core/surface'
import type { StoredRun, WallRow } from '@/store/database'
import { imagesOf } from '@/store/images'
import { count, dayAndTime } from '../../kit/words'
import { WallCard } from '../../parts/card/wall-card'
import { useKeys } from '../../state/keys/use-keys'
import { useSurfaces } from '../../state/surface/use-surfaces'
import { type Asked, questionsToAsk } from './questions-to-ask'

const QUESTIONS: Record<PersonQuestion, string> = {
  picture: 'Is this the right picture?',
  title: 'Does this title say what the page is?',
  tone: 'Is the tone right?',
}

/** Where the name is kept that answers are given under, so that it is typed once. */
const NAME_KEY = 'nimble-parrot-name'

type Props = {
  run: StoredRun
  rows: WallRow[]
  requirements: Requirements
  /** Keeps requirements. `isJudged`: the answer changes what is found, so that the run is judged again. */
  onKeep: (next: Requirements, isJudged: boolean) => void
  /** Opens a page by its path, to draft what somebody asked for. */
  onOpen: (path: string) => void
}

/** Questions that only a person can answer, one card at a time, a key each; below them what was answered. */
export function Questions({ run, rows, requirements, onKeep, onOpen }: Props) {
  const place = mainPlace(useSurfaces())
  const images = useLiveQuery(() => imagesOf(run.id), [run.id])
  const answers = requirements.answers ?? []
  const [passed, setPassed] = useState<ReadonlySet<string>>(new Set())
  // Drawn once a sitting: an answer changes what is found, and another draw would put another card under the finger.
  const [sitting, setSitting] = useState<Asked[] | null>(null)
  const [answered, setAnswered] = useState<ReadonlySet<string>>(new Set())
  const draw = useCallback(
    (by: Requirements) => (images ? questionsToAsk(rows, by, place.id, (url) => images.get(url)?.hash ?? null) : null),
    [rows, images, place],
  )
  useEffect(() => {
    if (sitting === null) setSitting(draw(requirements))
  }, [draw, requirements, sitting])
  const keyOf = ({ question, page }: Pick<Asked, 'question' | 'page'>) => `${question} ${page}`
  const asked = sitting?.filter((one) => !answered.has(keyOf(one)))
  const current = asked?.find((one) => !passed.has(keyOf(one)))
  const keep = (answer: Answer) => {
    const subject = subjectOfAnswer(answer)
    const others = answers.filter((one) => subjectOfAnswer(one) !== subject)
    const wasNo = answers.some((one) => subjectOfAnswer(one) === subject && one.answer === 'no')
    setAnswered(new Set([...answered, keyOf(answer)]))
    onKeep({ ...requirements, answers: [...others, answer] }, wasNo || answer.answer === 'no')
  }
  const drawAgain = (by: Requirements) => {
    setSitting(draw(by))
    setAnswered(new Set())
    setPassed(new Set())
  }
  const takeBack = (answer: Answer) => {
    const next = { ...requirements, answers: answers.filter((one) => one !== answer) }
    onKeep(next, answer.answer === 'no')
    // It is a question again: one of this sitting, or in a sitting that begins.
    if (answered.has(keyOf(answer))) setAnswered(new Set([...answered].filter((key) => key !== keyOf(answer))))
    else drawAgain(next)
  }
  return (
    <div className="grid gap-7">
      {asked === undefined ? (
        <p className="text-quiet">Looking for the cards to ask about …</p>
      ) : current ? (
        <OneQuestion
          key={keyOf(current)}
          asked={current}
          left={asked.filter((one) => !passed.has(keyOf(one))).length}
          onAnswer={keep}
          onPass={() => setPassed(new Set([...passed, keyOf(current)]))}
        />
      ) : (
        <section aria-label="Question">
          <h2 className="font-display text-head font-semibold">
            {asked.length === 0 ? 'Every question is answered' : `${count(asked.length, 'question')} left for later`}
          </h2>
          <p className="text-quiet">
            {asked.length === 0
              ? 'A card that shows something else is asked about again.'
              : 'They are asked again when the desk is opened again.'}
          </p>
          {asked.length > 0 && (
            <button type="button" className="button mt-2" onClick={() => drawAgain(requirements)}>
              Ask them now
            </button>
          )}
        </section>
      )}
      <Answered answers={answers} onTakeBack={takeBack} onOpen={onOpen} />
    </div>
  )
}

function OneQuestion({
  asked: { question, page, row, section, seen },
  left,
  onAnswer,
  onPass,
}: {
  asked: Asked
  left: number
  onAnswer: (answer: Answer) => void
  onPass: () => void
}) {
  const place = mainPlace(useSurfaces())
  const [by, setBy] = useState(() => localStorage.getItem(NAME_KEY) ?? '')
  const [isNo, setIsNo] = useState(false)
  const [note, setNote] = useState('')
  const isOfSection = question === 'tone' && section !== page
  const isNamed = by.trim() !== ''
  const answer = (yes: boolean) => {
    if (!isNamed) return
    localStorage.setItem(NAME_KEY, by.trim())
    onAnswer({
      question,
      page,
      ...(isOfSection ? { section } : {}),
      answer: yes ? 'yes' : 'no',
      seen,
      ...(yes || note.trim() === '' ? {} : { note: note.trim() }),
      by: by.trim(),
      at: new Date().toISOString(),
    })
  }
  useKeys((action) => {
    if (action === 'say-yes') answer(true)
    // N says no here, and in vain in Drift.
    else if (action === 'asked-in-vain') setIsNo(true)
    else if (action === 'later') onPass()
    else return false
    return true
  })
  const face = row.faces[place.id]!
  return (
    <section
      aria-label="Question"
      className="grid items-start gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,520px)_minmax(0,1fr)]"
    >
      <div>
        <WallCard run={row.run} surface={place} face={face} />
        <p className="mt-1 flex gap-2 text-fine">
          <span className="truncate font-mono">{row.path}</span>
          <span className="ml-auto shrink-0 text-quiet">{place.name}</span>
        </p>
      </div>
      <div className="grid gap-3">
        <p className="text-small text-quiet" role="status">
          {count(left, 'question')} left
        </p>
        <h2 className="font-display text-big font-bold leading-tight">{QUESTIONS[question]}</h2>
        {isOfSection && (
          <p>
            Of all pages of <span className="font-mono text-small">{sectionName(section)}</span>, by this one.
          </p>
        )}
        <label className="flex items-center gap-2 text-small">
          Answered by
          <input
            className="field w-[180px]!"
            placeholder="Your name"
            value={by}
            onChange={({ target }) => setBy(target.value)}
          />
        </label>
        {isNo ? (
          <form
            className="grid justify-items-start gap-2"
            onSubmit={(event) => {
              event.preventDefault()
              answer(false)
            }}
          >
            <input
              className="field"
              aria-label="What is wrong"
              placeholder="What is wrong, for the person who mends it"
              // biome-ignore lint/a11y/noAutofocus: it is what the key just pressed asked for.
              autoFocus
              value={note}
              onChange={({ target }) => setNote(target.value)}
            />
            <div className="flex gap-2">
              <button type="submit" className="button button-main" disabled={!isNamed}>
                Say no
              </button>
              <button type="button" className="button" onClick={() => setIsNo(false)}>
                Back
              </button>
            </div>
          </form>
        ) : (
          <div className="flex flex-wrap gap-2">
            <button type="button" className="button button-main" disabled={!isNamed} onClick={() => answer(true)}>
              Yes <kbd className="font-mono text-small">Y</kbd>
            </button>
            <button type="button" className="button" onClick={() => setIsNo(true)}>
              No <kbd className="font-mono text-small">N</kbd>
            </button>
            <button type="button" className="button" onClick={onPass}>
              Later <kbd className="font-mono text-small">S</kbd>
            </button>
          </div>
        )}
      </div>
    </section>
  )
}

const SHORT: Record<PersonQuestion, string> = { picture: 'the picture', title: 'the title', tone: 'the tone' }

function Answered({
  answers,
  onTakeBack,
  onOpen,
}: {
  answers: readonly Answer[]
  onTakeBack: (answer: Answer) => void
  onOpen: (path: string) => void
}) {
  if (answers.length === 0) return null
  const ordered = [...answers].sort((a, b) =>
    a.answer === b.answer ? (a.at < b.at ? 1 : -1) : a.answer === 'no' ? -1 : 1,
  )
  return (
    <section aria-label="Answered" className="border-t border-line pt-4">
      <h2 className="mb-1 font-semibold">Answered</h2>
      <ul className="grid gap-[3px]">
        {ordered.map((answer) => (
          <li key={`${answer.question} ${answer.page} ${answer.at}`} className="flex flex-wrap items-baseline gap-x-2">
            <b className={answer.answer === 'no' ? 'font-semibold text-wrong' : 'font-semibold'}>{answer.answer}</b>{' '}
            <span>
              to {SHORT[answer.question]} of{' '}
              <span className="font-mono text-small">{answer.section ? sectionName(answer.section) : answer.page}</span>
              {answer.note && <>: “{answer.note}”</>}
            </span>{' '}
            <span className="text-small text-quiet">
              {answer.by}, {dayAndTime(answer.at)}
            </span>
            {answer.answer === 'no' && (
              <button
                type="button"
                className="text-small text-pick hover:underline"
                onClick={() => onOpen(answer.page)}
              >
                Draft a better {answer.question === 'picture' ? 'picture' : 'text'}
              </button>
            )}
            <button type="button" className="text-small text-pick hover:underline" onClick={() => onTakeBack(answer)}>
              Take back
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
}
