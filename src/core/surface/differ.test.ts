import { describe, expect, test } from 'vitest'
import { parseRobots } from '../address'
import { surfaceOf } from '../testing/places'
import { context, image, testPage } from '../testing/test-page'
import { type CardContext, cardOf } from './card'
import { whyDifferent } from './differ'

const sideOf = (html: string, id: string, with_: CardContext = context()) => {
  const surface = surfaceOf(id)!
  return { surface, card: cardOf(testPage(html), surface, with_) }
}
const why = (html: string, a: string, b: string, with_?: CardContext) =>
  whyDifferent(sideOf(html, a, with_), sideOf(html, b, with_))

describe('why two places differ', () => {
  test('another tag is preferred, or not looked at', () => {
    const html = '<head><title>Page</title><meta property=og:title content=Card><meta name=twitter:title content=Post>'
    expect(why(html, 'wide-feed', 'microblog')).toEqual([
      'Title: Wide feed takes og:title of line 1, Microblog takes twitter:title of line 1: Wide feed doesn’t look at twitter:title.',
    ])
    expect(why(html, 'wide-feed', 'search')[0]).toBe(
      'Title: Wide feed takes og:title of line 1, Search result takes title of line 1.',
    )
  })

  test('a picture that one finds too small, or too heavy', () => {
    const html =
      '<head><title>T</title><meta property=og:title content=T><meta property=og:image content="https://site.example/a.jpg">'
    const small = context([image('https://site.example/a.jpg', { width: 150, height: 150 })])
    expect(why(html, 'wide-feed', 'work-feed', small)).toContain(
      'Picture: Wide feed takes none, Work network takes og:image of line 1: Wide feed finds it too small (150 × 150, least 200 × 200).',
    )
    const heavy = context([image('https://site.example/a.jpg', { bytes: 700_000 })])
    expect(why(html, 'phone-chat', 'wide-feed', heavy).join(' ')).toContain('Phone chat refuses it (over 0.6 MB)')
  })

  test('the layout, with what it goes by', () => {
    const html = '<head><meta property=og:title content=T><meta property=og:image content="https://site.example/a.jpg">'
    const [layout] = why(html, 'team-chat', 'community-chat', context([image('https://site.example/a.jpg')]))
    expect(layout).toContain('Team chat shows a large picture in its own shape')
    expect(layout).toContain('Community chat a small picture (it is large only when twitter:card asks for it)')
  })

  test('one that is kept out says that and nothing else; equal cards say nothing', () => {
    const html = '<head><title>T</title><meta property=og:title content=T>'
    const robots = parseRobots('User-agent: Slackbot-LinkExpanding\nDisallow: /')
    expect(why(html, 'team-chat', 'phone-chat', context([], { robots }))).toEqual([
      'Team chat: robots.txt keeps Slackbot-LinkExpanding out.',
    ])
    expect(why(html, 'work-feed', 'phone-chat')).toEqual([])
  })
})
