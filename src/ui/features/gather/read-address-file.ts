import { type AddressFile, AddressFileReader, faultOfAddressFile } from '@/core/crawl'
import { completeAddress, listedAddress } from '../../state/run/sources'
import { inShortTasks } from '../../state/short-tasks'

/** Bytes read between two looks at the clock. */
const PIECE = 32 * 1024

/** A file of addresses that can be gathered, or why it can't. */
export type ChosenList =
  | { name: string; addresses: string[] /** Lines that are no addresses. */; left: number; isCut: boolean }
  | { fault: string }

/** Reads a sitemap or a list in short tasks: it may be 50 MB long. It never leaves the browser. */
export async function readAddressFile(file: File): Promise<ChosenList> {
  try {
    const found = await read(file)
    const asAddress = found.kind === 'sitemap' ? completeAddress : listedAddress
    const addresses = found.addresses.flatMap((line) => asAddress(line) ?? [])
    const left = found.addresses.length - addresses.length
    const fault = faultOfAddressFile(file.name, { ...found, addresses })
    return fault === null ? { name: file.name, addresses, left, isCut: found.isCut } : { fault }
  } catch {
    return { fault: `“${file.name}” can’t be read: its pack is broken or cut off, or the file has changed.` }
  }
}

async function read(file: File): Promise<AddressFile> {
  const reader = new AddressFileReader()
  const pieces = file.stream().getReader()
  for (;;) {
    const { value, done } = await pieces.read()
    if (done) return reader.end()
    const starts = Array.from({ length: Math.ceil(value.length / PIECE) }, (_, index) => index * PIECE)
    await inShortTasks(starts, 1, ([start]) => reader.write(value.subarray(start!, start! + PIECE)))
  }
}
