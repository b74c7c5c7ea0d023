import { limits, parseRobots, type RobotsRules } from '../address'
import type { RunNote } from '../model'
import { type CrawlEnvironment, readFollowing } from './read-address'

/** robots.txt as read, its rules, and what has to be said of it. */
export type Robots = { text: string | null; rules: RobotsRules | null; note: RunNote | null }

/** robots.txt of the build's origin: 4xx means no rules; an error of the server keeps everything closed (RFC 9309). */
export async function readRobots(start: string, outside: CrawlEnvironment): Promise<Robots> {
  const url = new URL('/robots.txt', start).href
  const { exchange } = await readFollowing(url, (at) =>
    outside.read({ url: at, accept: 'text', maxBytes: limits.robotsBytes }),
  )
  if (exchange.kind === 'answered' && exchange.status < 300) {
    const text = new TextDecoder('utf-8').decode(exchange.body)
    return { text, rules: parseRobots(text), note: null }
  }
  if (exchange.kind === 'answered' && exchange.status < 500) return { text: null, rules: null, note: null }
  const what = exchange.kind === 'answered' ? `answered ${exchange.status}` : `could not be read (${exchange.message})`
  const message = `${url} ${what}: crawlers then ask for nothing, and so do we beyond the start page. Ignore robots.txt to look anyway.`
  return {
    // An error of the server closes the site (RFC 9309, 2.3.1.4); what it says where nothing answered is not known.
    text: exchange.kind === 'answered' ? 'User-agent: *\nDisallow: /' : null,
    rules: parseRobots('User-agent: *\nDisallow: /'),
    note: { kind: 'robots-unknown', message },
  }
}
