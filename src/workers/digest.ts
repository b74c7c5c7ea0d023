/** `sha256:` and lower-case hex of a whole content, as a browser works it out. */
export async function digestOf(bytes: Uint8Array | ArrayBuffer): Promise<string> {
  const sum = await crypto.subtle.digest('SHA-256', bytes as Uint8Array<ArrayBuffer>)
  return `sha256:${[...new Uint8Array(sum)].map((byte) => byte.toString(16).padStart(2, '0')).join('')}`
}
