/** Addresses that the tests use; none of them is the demo's own, so that both can run at once. */
export const APP_PORT = 4310
export const DEMO_PORT = 4311
export const SLOW_DEMO_PORT = 4312
export const EDITED_DEMO_PORT = 4313
export const STARTED_WITH_PORT = 4314
