import { z } from 'zod'
import { Level } from '../model'
import { Surface } from '../surface'

/** What pages of a kind or a section must have. */
export const RequiredField = z.enum([
  'title',
  'description',
  'picture',
  'own-picture',
  'picture-alt',
  'type',
  'address',
  'card',
  'author',
  'date',
  'price',
  'currency',
  'availability',
])
export type RequiredField = z.infer<typeof RequiredField>

/** What may be the same on several pages without being a fault. */
export const Shareable = z.enum(['title', 'description', 'picture'])
export type Shareable = z.infer<typeof Shareable>

export const LevelOrOff = z.enum([...Level.options, 'off'])
export type LevelOrOff = z.infer<typeof LevelOrOff>

const Limits = z.strictObject({
  titleCharacters: z
    .number()
    .int()
    .positive()
    .optional()
    .describe('Titles longer than this are title-long; 70 by default.'),
  descriptionCharacters: z
    .number()
    .int()
    .positive()
    .optional()
    .describe('Descriptions longer than this are description-long; 200 by default.'),
  pictureBytes: z
    .number()
    .int()
    .positive()
    .optional()
    .describe('Pictures heavier than this are image-heavy; 300000 by default.'),
})
type Limits = z.infer<typeof Limits>
/** Every limit as it holds for a page. */
export type AppliedLimits = { [K in keyof Limits]-?: Exclude<Limits[K], undefined> }

const ruleFields = {
  requires: z.array(RequiredField).optional().describe('Fields that every page must have of its own.'),
  levels: z.record(z.string(), LevelOrOff).optional().describe('Other levels for checks, by id.'),
  limits: Limits.optional(),
  mayShare: z.array(Shareable).optional().describe('What these pages may have in common.'),
  shareTo: z
    .string()
    .optional()
    .describe('Address that share links on these pages are meant to point to; {page} is the page’s own.'),
}

export const KindRule = z.strictObject(ruleFields)
export type KindRule = z.infer<typeof KindRule>

/** `not-shared`: never meant for sharing; nothing is asked of their cards. Other kinds are og:type’s. */
export const SectionRule = z.strictObject({ kind: z.string().optional(), ...ruleFields })
export type SectionRule = z.infer<typeof SectionRule>

const Identity = z.strictObject({
  name: z.string().optional().describe('The organization’s or person’s own name.'),
  kind: z.enum(['organization', 'person']).optional(),
  accounts: z.array(z.string()).optional(),
  ids: z.array(z.string()).optional(),
  defaultPicture: z.string().optional(),
  pictureHosts: z.array(z.string()).optional().describe('Hosts on which the site’s pictures may lie.'),
  languages: z.array(z.string()).optional(),
  profiles: z.array(z.string()).optional(),
})

export const Waiver = z.strictObject({
  rule: z.string().describe('Id of the check.'),
  pages: z.string().optional().describe('Path or glob; all pages without it.'),
  reason: z.string().min(1),
  by: z.string().min(1),
  until: z.iso.date().optional().describe('Last day on which it holds, YYYY-MM-DD.'),
  content: z
    .string()
    .optional()
    .describe('Title of the page: where no page is left at that path, it holds for the one that has this title.'),
})
export type Waiver = z.infer<typeof Waiver>

/** What only a person can answer of a card. */
export const PersonQuestion = z.enum(['picture', 'title', 'tone'])
export type PersonQuestion = z.infer<typeof PersonQuestion>

export const Answer = z.strictObject({
  question: PersonQuestion.describe('Is it the right picture? Does the title say what the page is? Is the tone right?'),
  page: z.string().describe('Path of the page whose card was looked at.'),
  section: z.string().optional().describe('It is said of all pages of this section, seen by the one card.'),
  answer: z.enum(['yes', 'no']),
  seen: z
    .string()
    .optional()
    .describe(
      'What the card showed; once it shows something else, the question is open again. Absent: whatever it shows.',
    ),
  note: z.string().optional(),
  by: z.string().min(1),
  at: z.iso.datetime({ offset: true }),
})
export type Answer = z.infer<typeof Answer>

/** What a site must have before it is launched: `nimble-parrot.json`. Everything may be left out. */
export const Requirements = z.strictObject({
  $schema: z.string().optional(),
  format: z.literal('nimble-parrot-requirements').optional(),
  version: z.literal(1).optional(),
  site: z.url().optional().describe('Production base address.'),
  identity: Identity.optional(),
  surfaces: z.array(z.string()).optional().describe('Surfaces that count; all without it.'),
  ownSurfaces: z.array(Surface).optional().describe('Surfaces of your own, or ours with other figures.'),
  levels: z.record(z.string(), LevelOrOff).optional(),
  limits: Limits.optional(),
  kinds: z.record(z.string(), KindRule).optional(),
  sections: z
    .record(z.string(), SectionRule)
    .optional()
    .describe('By path glob: * within a segment, ** across. The first that matches counts.'),
  source: z
    .array(
      z.strictObject({
        from: z.string().describe('Paths of pages: * within a segment, ** across.'),
        to: z.string().describe('File, from this one’s folder, with the same stars: content/guides/*.md'),
      }),
    )
    .optional()
    .describe('In which files pages are written. The first whose paths fit counts.'),
  waivers: z.array(Waiver).optional(),
  answers: z.array(Answer).optional().describe('What people said of cards: a no is a finding until it is answered.'),
})
export type Requirements = z.infer<typeof Requirements>

export const noRequirements: Requirements = {}
