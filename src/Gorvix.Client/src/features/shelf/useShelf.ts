import { ref } from 'vue'
import { api, ask, type Problem, type ShelfBuild } from '@/api/client'

/** The builds on the shelf, with import, removal and its undo. */
export function useShelf() {
  const builds = ref<ShelfBuild[] | null>(null)
  const problem = ref<Problem | null>(null)
  const refusal = ref<{ file: string; problem: Problem } | null>(null)
  const importing = ref(false)
  const imported = ref<string | null>(null)
  const removed = ref<ShelfBuild | null>(null)

  async function load() {
    const answer = await ask(() => api.GET('/api/builds'))
    problem.value = answer.problem
    builds.value = answer.data ?? builds.value
  }

  async function importFile(file: File) {
    importing.value = true
    refusal.value = null
    const answer = await ask(() =>
      api.POST('/api/builds/import', {
        headers: { 'Content-Type': 'application/json' },
        body: file as never,
        bodySerializer: (body) => body as never,
      }),
    )
    importing.value = false
    if (answer.problem) {
      refusal.value = { file: file.name, problem: answer.problem }
    } else {
      imported.value = answer.data.id
      await load()
    }
  }

  async function remove(build: ShelfBuild) {
    const answer = await ask(() =>
      api.POST('/api/builds/{id}/remove', { params: { path: { id: build.id } } }),
    )
    problem.value = answer.problem
    removed.value = answer.problem ? null : build
    await load()
  }

  async function restore() {
    const build = removed.value
    if (!build) return
    removed.value = null
    await ask(() => api.POST('/api/builds/{id}/restore', { params: { path: { id: build.id } } }))
    await load()
  }

  return {
    builds,
    problem,
    refusal,
    importing,
    imported,
    removed,
    load,
    importFile,
    remove,
    restore,
  }
}
