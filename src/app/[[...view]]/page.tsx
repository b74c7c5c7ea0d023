import { startedWith } from '@/io/started-with'
import { App } from '@/ui/app'

/** Every view is one page to the server: which one is shown is in the address, and the browser draws it. */
export default async function Page() {
  const { NIMBLE_PARROT_DEMO: demo, NIMBLE_PARROT_DEMO_EDITED: edited } = process.env
  return <App demo={demo ?? null} editedDemo={edited ?? null} startedWith={await startedWith()} />
}
