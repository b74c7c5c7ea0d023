/** One tag of a head, so that a page's head can be changed before it is written. */
export type HeadTag = { key: string; html: string }

export const escapeHtml = (text: string) =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;')

const metaHtml = (key: string, value: string) => {
  const attribute = /^(?:og|article|product|profile|fb):/.test(key) ? 'property' : 'name'
  return `<meta ${attribute}="${key}" content="${escapeHtml(value)}">`
}

/** A head under construction: tags in order, by key. */
export class Head {
  private tags: HeadTag[] = []

  meta(key: string, value: string): this {
    this.tags.push({ key, html: metaHtml(key, value) })
    return this
  }

  raw(key: string, html: string): this {
    this.tags.push({ key, html })
    return this
  }

  /** Gives a tag another value, where it stands. */
  set(key: string, value: string): this {
    const html =
      key === 'title'
        ? `<title>${escapeHtml(value)}</title>`
        : key === 'canonical'
          ? `<link rel="canonical" href="${escapeHtml(value)}">`
          : metaHtml(key, value)
    this.tags = this.tags.map((tag) => (tag.key === key ? { key, html } : tag))
    return this
  }

  /** Takes tags out: those of these keys, and those whose key starts with one that ends in `:`. */
  drop(...keys: string[]): this {
    this.tags = this.tags.filter(
      ({ key }) => !keys.some((name) => key === name || (name.endsWith(':') && key.startsWith(name))),
    )
    return this
  }

  lines(): string[] {
    return this.tags.map(({ html }) => html)
  }
}
