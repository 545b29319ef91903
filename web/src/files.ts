/** Hand a file to the user: the browser's own download, nothing leaves the device. */
export function saveFile(content: Blob, name: string) {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(content)
  link.download = name
  link.click()
  window.setTimeout(() => URL.revokeObjectURL(link.href), 1_000)
}
