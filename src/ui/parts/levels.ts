/** A level's sign and colour: never the colour alone. */
export const LEVEL_SIGN = { error: '▲', warning: '◆', note: '●' } as const
export const LEVEL_LOOK = { error: 'text-wrong', warning: 'text-warn', note: 'text-quiet' } as const
