/** Text or an attribute's value in XML 1.0; characters that no XML document may hold become U+FFFD. */
export function escapeXml(text: string): string {
  return (
    text
      // biome-ignore lint/suspicious/noControlCharactersInRegex: these are the very characters that XML forbids
      .replace(/[\u0000-\u0008\u000B\u000C\u000E-\u001F\uFFFE\uFFFF]|\p{Surrogate}/gu, '\uFFFD')
      .replaceAll('&', '&amp;')
      .replaceAll('<', '&lt;')
      .replaceAll('>', '&gt;')
      .replaceAll('"', '&quot;')
  )
}
