/** Is this server meant for others than the person at this machine? Then no inner address is fetched for anyone. */
export const isExposed = () => process.env['NIMBLE_PARROT_PUBLIC'] === '1'
