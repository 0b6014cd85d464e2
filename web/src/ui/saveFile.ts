/** Hands bytes to the browser as a file to keep. */
export function saveFile(bytes: Blob, name: string): void {
  const address = URL.createObjectURL(bytes)
  const link = document.createElement('a')
  link.href = address
  link.download = name
  link.click()
  // The browser has taken it up by the time it is idle again.
  setTimeout(() => URL.revokeObjectURL(address), 60_000)
}
