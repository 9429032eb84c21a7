/** Saves a drawing as pixels, so many for each of its own: in a browser's canvas, from the file that the server makes. */
export async function savePng(href: string, name: string, times: number): Promise<boolean> {
  const answer = await fetch(href)
  if (!answer.ok) return false
  const text = await answer.text()
  const image = new Image()
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(text)}`
  await image.decode()
  const canvas = document.createElement('canvas')
  canvas.width = image.naturalWidth * times
  canvas.height = image.naturalHeight * times
  canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height)
  const link = document.createElement('a')
  link.href = canvas.toDataURL('image/png')
  link.download = name
  link.click()
  return true
}
