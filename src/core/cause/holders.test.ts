import fc from 'fast-check'
import { expect, test } from 'vitest'
import { runs } from '../testing/property-runs'
import type { Change } from './change'
import { Holders } from './holders'
import type { PageChange, Plan } from './plan'

const TAGS = ['og:title', 'og:type', 'og:url'] as const
const say = (tag: string): Change => ({ kind: 'say', tag, value: 'x' })
const planOf = (changes: ReadonlyMap<string, readonly Change[]>) =>
  ({
    changes: new Map([...changes].map(([url, own]) => [url, own.map((change) => ({ change }) as PageChange)])),
  }) as Plan

test('of each tag of each page the plan that was last said to change it', () => {
  const at = fc.tuple(fc.nat(4).map(String), fc.constantFrom(...TAGS), fc.nat(2))
  fc.assert(
    fc.property(fc.array(at), (taken) => {
      const plans = [0, 1, 2].map((index) => planOf(new Map([[String(index), [say('og:title'), say('og:type')]]])))
      const holders = new Holders(plans)
      const expected = new Map<string, Plan>(
        plans.flatMap((plan, index) => ['og:title', 'og:type'].map((tag) => [`${index} say ${tag}`, plan] as const)),
      )
      for (const [url, tag, index] of taken) {
        holders.set(url, `say ${tag}`, plans[index]!)
        expected.set(`${url} say ${tag}`, plans[index]!)
      }
      for (const url of ['0', '1', '2', '3', '4', '5'])
        for (const tag of TAGS) expect(holders.get(url, `say ${tag}`)).toBe(expected.get(`${url} say ${tag}`))
    }),
    runs(100),
  )
})
