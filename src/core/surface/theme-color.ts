/** Is this a colour as CSS writes it, and nothing else? Function names other than those of colours are none. */
export const isPlainColour = (value: string): boolean =>
  /^(?:#[0-9a-f]{3,8}|[a-z]{3,20}|(?:rgb|hsl)a?\([\d\s.,%/deg-]+\))$/i.test(value)
