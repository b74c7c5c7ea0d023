import { slotOf } from './change'
import type { Plan } from './plan'

/**
 * Which plan changes what of which page. Kept page by page, with each slot's name once: by a text for every slot of every
 * page it would take as much memory as the pages.
 */
export class Holders {
  private readonly ofPages = new Map<string, { slots: string[]; plans: Plan[] }>()
  private readonly names = new Map<string, string>()

  constructor(plans: readonly Plan[]) {
    for (const plan of plans)
      for (const [url, own] of plan.changes) for (const { change } of own) this.set(url, slotOf(change), plan)
  }

  get(url: string, slot: string): Plan | undefined {
    const ofPage = this.ofPages.get(url)
    return ofPage?.plans[ofPage.slots.indexOf(slot)]
  }

  set(url: string, slot: string, plan: Plan): void {
    const ofPage = this.ofPages.get(url) ?? { slots: [], plans: [] }
    this.ofPages.set(url, ofPage)
    const at = ofPage.slots.indexOf(slot)
    if (at >= 0) ofPage.plans[at] = plan
    else {
      ofPage.slots.push(this.nameOf(slot))
      ofPage.plans.push(plan)
    }
  }

  private nameOf(slot: string): string {
    const known = this.names.get(slot)
    if (known !== undefined) return known
    this.names.set(slot, slot)
    return slot
  }
}
