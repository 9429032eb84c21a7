import { defineStore } from 'pinia'
import { shallowRef } from 'vue'

/** A file that was chosen or dropped somewhere and is on its way to the screen that takes it in. */
export const useFiles = defineStore('files', () => {
  const pending = shallowRef<{ name: string; text: string } | null>(null)

  async function bring(file: File) {
    pending.value = { name: file.name, text: await file.text() }
  }
  return { pending, bring }
})
