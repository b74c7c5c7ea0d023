/** Bytes as base64 with its padding. */
export function base64Of(bytes: Uint8Array): string {
  let text = ''
  for (const byte of bytes) text += String.fromCharCode(byte)
  return btoa(text)
}

/** The bytes of a base64 text; null where it is none. White space in it doesn't count. */
export function bytesOfBase64(text: string): Uint8Array | null {
  try {
    return Uint8Array.from(atob(text.replace(/\s+/g, '')), (character) => character.charCodeAt(0))
  } catch {
    return null
  }
}
