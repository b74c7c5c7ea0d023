import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Page } from '@playwright/test'

/** The browser's database once the demo is gathered: made once a test run, put into each test's own empty browser. */
const FILE = join('.work', 'stored-demo.json')
const DATABASE = 'nimble-parrot'

/** A record with its blobs as text; `key` where the store keeps it beside the record. */
type Kept = { value: unknown; key?: IDBValidKey }
type Stored = { address: string; stores: Record<string, Kept[]> }

/** Given to the page; a value of any shape would have the types follow it without end. */
type Argument = { name: string; stores: string | null }

/** What runs in the page: both ways between records and text. A blob is an object with its type and bytes. */
const inPage = async ({ name, stores: given }: Argument): Promise<string> => {
  const stores = given === null ? null : (JSON.parse(given) as Record<string, Kept[]>)
  const asked = <T>(request: IDBRequest<T>) =>
    new Promise<T>((resolve, reject) => {
      request.onsuccess = () => resolve(request.result)
      request.onerror = () => reject(request.error)
    })
  const asText = (bytes: Uint8Array) => btoa(Array.from(bytes, (byte) => String.fromCharCode(byte)).join(''))
  const asBytes = (text: string) => Uint8Array.from(atob(text), (character) => character.charCodeAt(0))
  const packed = async (value: unknown): Promise<unknown> => {
    if (value instanceof Blob) return { $blob: value.type, bytes: asText(new Uint8Array(await value.arrayBuffer())) }
    if (Array.isArray(value)) return Promise.all(value.map(packed))
    if (typeof value !== 'object' || value === null) return value
    const entries = await Promise.all(Object.entries(value).map(async ([key, one]) => [key, await packed(one)]))
    return Object.fromEntries(entries)
  }
  const unpacked = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(unpacked)
    if (typeof value !== 'object' || value === null) return value
    if ('$blob' in value) {
      const { $blob, bytes } = value as unknown as { $blob: string; bytes: string }
      return new Blob([asBytes(bytes)], { type: $blob })
    }
    return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, unpacked(one)]))
  }

  let database = await asked(indexedDB.open(name))
  while (database.objectStoreNames.length === 0) {
    // The app has not made it yet: an open question of ours would hold it up.
    database.close()
    await new Promise((resolve) => setTimeout(resolve, 50))
    database = await asked(indexedDB.open(name))
  }
  const names = [...database.objectStoreNames]
  if (stores === null) {
    const found: Record<string, Kept[]> = {}
    for (const store of names) {
      const at = database.transaction(store).objectStore(store)
      const [values, keys] = await Promise.all([asked(at.getAll()), asked(at.getAllKeys())])
      const isBeside = at.keyPath === null
      const kept: Kept[] = []
      for (const [index, value] of values.entries())
        kept.push({ value: await packed(value), ...(isBeside ? { key: keys[index]! } : {}) })
      found[store] = kept
    }
    database.close()
    return JSON.stringify(found)
  }
  const write = database.transaction(names, 'readwrite')
  for (const store of names) {
    const at = write.objectStore(store)
    for (const { value, key } of stores[store] ?? []) at.put(unpacked(value), key)
  }
  await new Promise((resolve, reject) => {
    write.oncomplete = resolve
    write.onerror = () => reject(write.error)
  })
  database.close()
  return ''
}

/** Small copies of pictures that are kept by now. */
const thumbsKept = (page: Page) =>
  page.evaluate(async (name) => {
    const database = await new Promise<IDBDatabase>((resolve) => {
      const request = indexedDB.open(name)
      request.onsuccess = () => resolve(request.result)
    })
    const count = await new Promise<number>((resolve) => {
      const request = database.transaction('thumbs').objectStore('thumbs').count()
      request.onsuccess = () => resolve(request.result)
    })
    database.close()
    return count
  }, DATABASE)

/** Keeps what this page's browser holds, for all tests. The page shows the Wall of the gathered demo. */
export async function keepDatabase(page: Page): Promise<void> {
  // Copies are made behind the run: all of them are there once no more come.
  for (let before = -1, now = await thumbsKept(page); now !== before; now = await thumbsKept(page)) {
    before = now
    await page.waitForTimeout(1500)
  }
  const stores = await page.evaluate(inPage, { name: DATABASE, stores: null })
  const { pathname, search } = new URL(page.url())
  mkdirSync('.work', { recursive: true })
  writeFileSync(FILE, JSON.stringify({ address: pathname + search, stores: JSON.parse(stores) }))
}

/** Puts the gathered demo into this page's browser, and opens its Wall. */
export async function openStoredDemo(page: Page): Promise<void> {
  const { address, stores } = JSON.parse(readFileSync(FILE, 'utf8')) as Stored
  // The app itself makes the database, of the version that it has today.
  await page.goto('/')
  await page.waitForFunction(async (name) => (await indexedDB.databases()).some((one) => one.name === name), DATABASE)
  await page.evaluate(inPage, { name: DATABASE, stores: JSON.stringify(stores) })
  // By way of Gather, so that there is a step back, as after a run.
  await page.goto(address.replace(/^\/wall/, '/'))
  await page.getByRole('navigation', { name: 'Areas' }).getByRole('link', { name: /^Wall/ }).click()
}
