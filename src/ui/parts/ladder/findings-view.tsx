'use client'

import { clsx } from 'clsx'
import { inWords } from '@/core/check'
import type { Finding } from '@/core/model'
import { CheckName } from '../check-name'
import { LEVEL_LOOK, LEVEL_SIGN } from '../levels'

/** What is wrong, and what mends it. */
export function FindingsView({
  findings,
  onLine,
  placeOf,
}: {
  findings: Finding[]
  onLine?: (line: number | null) => void
  /** Address that opens the finding's line in the reader's editor; null when there is none. */
  placeOf?: (finding: Finding) => string | null
}) {
  if (findings.length === 0) return <p className="text-quiet">Nothing to mend here.</p>
  return (
    <ul className="grid gap-[10px]">
      {findings.map((finding, index) => (
        <li
          key={`${finding.rule} ${finding.line} ${index}`}
          onMouseEnter={() => onLine?.(finding.line)}
          onMouseLeave={() => onLine?.(null)}
        >
          <p className={clsx('flex items-baseline gap-[6px] text-small font-semibold', LEVEL_LOOK[finding.level])}>
            <span aria-hidden="true" className="text-sign">
              {LEVEL_SIGN[finding.level]}
            </span>
            {finding.level}
            <span className="ml-auto font-mono text-fine font-normal text-quiet">
              <CheckName id={finding.rule} />
              {finding.line !== null && <FindingLine line={finding.line} href={placeOf?.(finding) ?? null} />}
            </span>
          </p>
          <Words finding={finding} />
        </li>
      ))}
    </ul>
  )
}

function Words({ finding }: { finding: Finding }) {
  const { message, fix } = inWords(finding)
  return (
    <>
      <p className="[overflow-wrap:anywhere]">{message}</p>
      <p className="text-quiet [overflow-wrap:anywhere]">{fix}</p>
    </>
  )
}

function FindingLine({ line, href }: { line: number; href: string | null }) {
  if (href === null) return `, line ${line}`
  return (
    <>
      ,{' '}
      <a href={href} className="text-pick hover:underline" title="Open in your editor">
        line {line}
      </a>
    </>
  )
}
