/** Hands a file to the browser's downloads. */
export function saveFile(name: string, content: string | Uint8Array | Blob, mediaType: string): void {
  const url = URL.createObjectURL(new Blob([content as BlobPart], { type: mediaType }))
  const link = document.createElement('a')
  link.href = url
  link.download = name
  link.click()
  // The download has its own hold on the data by the next turn.
  setTimeout(() => URL.revokeObjectURL(url))
}
