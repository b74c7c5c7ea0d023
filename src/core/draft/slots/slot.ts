import type { GatheredImage, PageFacts } from '../../model'

/** What a slot's value may look up to become tags. */
type SlotContext = {
  /** An image of the run by its public URL. */
  imageOf: (url: string) => GatheredImage | undefined
  /** What the page says as built; null where nothing is known of it. */
  facts: PageFacts | null
}

/** Something that can be drafted for a page: all that the program knows of it. A new one is a file and a line in index.ts. */
export type Slot<Key extends string = string> = {
  /**
   * How drafts name it. A bare name holds for every place; `@microblog` becomes the place’s own tag, `@search` is what
   * search results and browser tabs read.
   */
  key: Key
  name: string
  /** Tags that say its value. The first is what the slot is for: it is read from there. */
  writes: readonly [string, ...string[]]
  /** Tags that would beat it somewhere, and go. */
  clears: readonly string[]
  /** Tags that say what it is like, and are written with it: an edit of one beside an edit of its own is a part of that. */
  brings?: readonly string[]
  /** Tags that go with it, and that no other slot says. */
  drops?: readonly string[]
  /** Of the tags that it writes those that stay when it is cleared: cards fall back to what search and tab read. */
  keepsCleared?: readonly string[]
  /** What its value becomes, where that is more than the value in each tag. null: the slot is cleared. */
  edit?: (edits: Map<string, string | null>, value: string | null, context: SlotContext) => void
  /** Values that are offered; any other can be typed. */
  choices?: readonly string[]
  /** It can say something else where it stands; it is neither added nor taken out. */
  isFixed?: true
  /** Its value is a word or two: it has a line in the table of short fields. */
  isShort?: true
  /** One value for many pages makes sense: bulk drafts offer it under this name. */
  bulkName?: string
}

/** A slot as its file writes it: the key is kept to the letter. */
export const defineSlot = <const Key extends string>(slot: Slot<Key>): Slot<Key> => slot
