/** A parameter of the address: how it is called there, read and written. What makes no sense is read as its default. */
export type Parameter<Value> = {
  key: string
  read: (raw: string | null) => Value
  /** null: it is the default, and left out. */
  write: (value: Value) => string | null
}

/** A text of any kind; null without one. */
export const text = (key: string): Parameter<string | null> => ({
  key,
  read: (raw) => raw,
  write: (value) => value || null,
})

/** One of some words; without one, or with another, the first of them. */
export const oneOf = <const Word extends string>(key: string, words: readonly [Word, ...Word[]]): Parameter<Word> => ({
  key,
  read: (raw) => words.find((word) => word === raw) ?? words[0],
  write: (value) => (value === words[0] ? null : value),
})

/** One of some words, or none. */
export const maybeOneOf = <const Word extends string>(key: string, words: readonly Word[]): Parameter<Word | null> => ({
  key,
  read: (raw) => words.find((word) => word === raw) ?? null,
  write: (value) => value,
})

/** Any of some words, in their order. */
export const someOf = <const Word extends string>(key: string, words: readonly Word[]): Parameter<Word[]> => ({
  key,
  read: (raw) => words.filter((word) => (raw ?? '').split(',').includes(word)),
  write: (value) => words.filter((word) => value.includes(word)).join(',') || null,
})

/** Yes where it says this word. */
export const flag = (key: string, word: string): Parameter<boolean> => ({
  key,
  read: (raw) => raw === word,
  write: (value) => (value ? word : null),
})
