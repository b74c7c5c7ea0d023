import { parseJson } from '@/core/model'

export type RequestJson = { ok: true; value: unknown; bytes: number } | { ok: false; status: number; reason: string }

/** Reads the body of a request as JSON, and no further than it may be long. */
export async function requestJson(request: Request, maxBytes: number): Promise<RequestJson> {
  const tooLong = { ok: false as const, status: 413, reason: `More than ${maxBytes} bytes are not read here.` }
  const pieces: Uint8Array[] = []
  let bytes = 0
  const reader = request.body?.getReader()
  for (let step = await reader?.read(); step && !step.done; step = await reader?.read()) {
    bytes += step.value.length
    if (bytes > maxBytes) {
      await reader?.cancel()
      return tooLong
    }
    pieces.push(step.value)
  }
  const read = parseJson(Buffer.concat(pieces).toString('utf8'), maxBytes)
  return read.ok
    ? { ...read, bytes }
    : { ok: false, status: 400, reason: read.faults.map(({ message }) => message).join(' ') }
}
