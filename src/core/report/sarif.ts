import { checkOf } from '../check'
import { encodedPath } from '../crawl'
import { VERSION } from '../model'
import { printableJson } from '../text'
import { type LocatedFinding, locatedFindings } from './located'
import { paperLines, verdictLine, waiverWords } from './paper'
import type { RunDocument } from './run-document'

/** Name under which paths of a folder or a zip are relative to the build. */
const BASE = 'BUILD'

/** Where people read about the program. */
const INFORMATION = 'https://www.npmjs.com/package/nimble-parrot'

function placeOf({ finding, page, url }: LocatedFinding) {
  const artifactLocation = page?.file ? { uri: encodedPath(page.file), uriBaseId: BASE } : { uri: url }
  const region = finding.line === null ? {} : { region: { startLine: finding.line, startColumn: finding.column ?? 1 } }
  return { physicalLocation: { artifactLocation, ...region } }
}

/** The same finding has the same fingerprint in the next run: lines move, pages and rules don't. */
function fingerprint({ finding, url }: LocatedFinding): string {
  return [finding.rule, new URL(url).pathname, finding.image ?? ''].join(' ')
}

/** Findings as SARIF 2.1.0, with a rule for each check that raised one. */
export function* sarifPieces(document: RunDocument): Generator<string> {
  const located = locatedFindings(document)
  const ids = [...new Set(located.map(({ finding }) => finding.rule))].sort()
  const lines = paperLines(document)
  const isOfFiles = document.source.kind === 'folder' || document.source.kind === 'zip'
  const log = {
    $schema: 'https://json.schemastore.org/sarif-2.1.0.json',
    version: '2.1.0',
    runs: [
      {
        tool: {
          driver: {
            name: 'nimble-parrot',
            version: VERSION,
            semanticVersion: VERSION,
            informationUri: INFORMATION,
            rules: ids.map((id) => {
              const check = checkOf(id)
              return {
                id,
                shortDescription: { text: check?.looksAt ?? id },
                fullDescription: { text: check?.why ?? id },
                defaultConfiguration: { level: check?.level ?? 'warning' },
              }
            }),
          },
        },
        columnKind: 'utf16CodeUnits',
        ...(isOfFiles
          ? { originalUriBaseIds: { [BASE]: { description: { text: 'The folder of built pages.' } } } }
          : {}),
        invocations: [
          {
            executionSuccessful: document.complete && !document.summary.unseenCount,
            startTimeUtc: document.startedAt,
            endTimeUtc: document.finishedAt || document.startedAt,
            toolExecutionNotifications: lines.map(({ kind, text }) => ({
              level: kind === 'incomplete' ? ('error' as const) : ('note' as const),
              message: { text },
              descriptor: { id: kind },
            })),
          },
        ],
        results: [],
        properties: { verdict: document.summary.verdict, verdictText: verdictLine(document), scope: document.scope },
      },
    ],
  }
  const resultOf = (one: LocatedFinding) => ({
    ruleId: one.finding.rule,
    ruleIndex: ids.indexOf(one.finding.rule),
    level: one.finding.level,
    message: { text: `${one.finding.message} ${one.finding.fix}` },
    locations: [placeOf(one)],
    partialFingerprints: { 'nimbleParrot/v1': fingerprint(one) },
    ...(document.baseline ? { baselineState: one.isNew ? ('new' as const) : ('unchanged' as const) } : {}),
    ...(one.waiver
      ? {
          suppressions: [{ kind: 'external', status: 'accepted', justification: `Waived ${waiverWords(one.waiver)}` }],
        }
      : {}),
  })
  // Within a text of JSON every quote is escaped: this stands where the list does, and nowhere else.
  const [before, after] = `${printableJson(log, 2)}\n`.split(NO_RESULTS)
  yield `${before}"results": [`
  let between = ''
  for (const one of located) {
    yield `${between}\n        ${printableJson(resultOf(one), 2).replaceAll('\n', '\n        ')}`
    between = ','
  }
  yield `${located.length > 0 ? '\n      ' : ''}]${after}`
}

const NO_RESULTS = '"results": []'

/** The same as one text. */
export const runAsSarif = (document: RunDocument): string => [...sarifPieces(document)].join('')
