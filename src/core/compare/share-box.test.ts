import { describe, expect, test } from 'vitest'
import { assumed } from '../surface'
import { phoneChat, wideFeed } from '../testing/places'
import type { Holder } from './held-copies'
import { askAgain, emptyBox, post, publish, type ShareBox, shownNow, wait } from './share-box'

const LAMP = 'https://site.example/lamp'
const feed = wideFeed as Holder
const chat = phoneChat as Holder
const newPicture = () => false
const samePicture = () => true
const last = (box: ShareBox) => box.posts.at(-1)!.shown
const said = (box: ShareBox) => box.notes.at(-1)!.text

/** Posted, then edited. */
const edited = (holder: Holder, change = newPicture) => publish(post(emptyBox, LAMP, holder, change), 'after')

describe('a place with a cache', () => {
  test('reads a page that it does not know', () => {
    const box = post(emptyBox, LAMP, feed, newPicture)
    expect(last(box)).toEqual({ text: 'before', picture: 'before' })
    expect(said(box)).toContain('it reads the page')
  })

  test('shows its copy as long as it holds one, whatever the page says by then', () => {
    const box = post(wait(edited(feed), 30), LAMP, feed, newPicture)
    expect(last(box)).toEqual({ text: 'before', picture: 'before' })
    expect(said(box)).toContain('30 days old: the page is not read, and the edit is not seen')
  })

  test('reads the page again once its copy is too old', () => {
    const box = post(wait(edited(feed), 31), LAMP, feed, newPicture)
    expect(last(box)).toEqual({ text: 'after', picture: 'after' })
  })

  test('keeps a picture under the same address even then, and says so', () => {
    const box = post(wait(edited(feed, samePicture), 31), LAMP, feed, samePicture)
    expect(last(box)).toEqual({ text: 'after', picture: 'before' })
    expect(said(box)).toContain('not fetched again')
    const renewing = { ...feed, holding: { ...feed.holding, samePictureAddress: assumed('renewed' as const) } }
    expect(last(post(wait(edited(renewing, samePicture), 31), LAMP, renewing, samePicture)).picture).toBe('after')
  })

  test('holds variants of an address apart', () => {
    const box = post(edited(feed), `${LAMP}?from=letter`, feed, newPicture)
    expect(last(box)).toEqual({ text: 'after', picture: 'after' })
  })

  test('asked again, a feed changes what is posted; a chat only what comes after', () => {
    const asked = askAgain(edited(feed), LAMP, feed)
    expect(shownNow(asked, asked.posts[0]!, feed)).toMatchObject({ text: 'after', picture: 'after' })
    const inChat = askAgain(edited(chat), LAMP, chat)
    expect(shownNow(inChat, inChat.posts[0]!, chat)).toEqual({ text: 'before', picture: 'before' })
    expect(last(post(inChat, LAMP, chat, newPicture))).toEqual({ text: 'after', picture: 'after' })
  })

  test('where asking renews the text alone, the picture comes with the second asking', () => {
    const slow = { ...feed, holding: { ...feed.holding, askingRenews: assumed('text' as const) } }
    const once = askAgain(edited(slow), LAMP, slow)
    expect(once.copies[LAMP]).toMatchObject({ text: 'after', picture: 'before' })
    expect(said(once)).toContain('ask once more')
    expect(askAgain(once, LAMP, slow).copies[LAMP]).toMatchObject({ text: 'after', picture: 'after' })
  })

  test('has nothing to renew where it holds nothing', () => {
    const box = askAgain(emptyBox, LAMP, feed)
    expect(box.copies).toEqual({})
    expect(said(box)).toContain('nothing to renew')
  })
})
