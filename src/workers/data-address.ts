/** Bytes turned into characters at once: more are too many arguments. */
const AT_ONCE = 8192

/** A file as a data: address; one that says no type of its own is taken for a JPEG. */
export async function asDataAddress(blob: Blob): Promise<string> {
  const bytes = new Uint8Array(await blob.arrayBuffer())
  let binary = ''
  for (let start = 0; start < bytes.length; start += AT_ONCE)
    binary += String.fromCharCode(...bytes.subarray(start, start + AT_ONCE))
  return `data:${blob.type || 'image/jpeg'};base64,${btoa(binary)}`
}
