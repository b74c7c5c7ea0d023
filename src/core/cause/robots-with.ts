/**
 * robots.txt with a group of its own for crawlers that it kept out: what they are told elsewhere holds no more.
 *
 * @param robotsTxt as it is; null where there is none
 * @param tokens of the crawlers, joined by `, `
 */
export function robotsWith(robotsTxt: string | null, tokens: string): string {
  const names = new Set(tokens.toLowerCase().split(', '))
  const lines = (robotsTxt ?? '').split(/\r\n|\n|\r/).map((line) => {
    const agent = /^\s*user-agent\s*:\s*([^#]*)/i.exec(line)?.[1]?.trim().toLowerCase()
    return agent !== undefined && names.has(agent) ? 'User-agent: none-of-these' : line
  })
  const groups = tokens.split(', ').map((token) => `User-agent: ${token}\nAllow: /\n`)
  return `${lines.join('\n')}\n\n${groups.join('\n')}`
}
