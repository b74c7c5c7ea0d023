import { App } from '@/ui/app'

/** Every view is one page to the server: which one is shown is in the address, and the browser draws it. */
export default function Page() {
  return <App demo={process.env.NIMBLE_PARROT_DEMO ?? null} />
}
