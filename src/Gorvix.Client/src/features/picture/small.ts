import { api, ask, type SmallPicture } from '@/api/client'

/** What is pictured. The picture of a version is asked for once, one of no version each time. */
export interface Pictured {
  kind: 'build' | 'board' | 'device'
  id: string
  version?: number | undefined
}

const most = 200
const kept = new Map<string, Promise<SmallPicture | null>>()

function read({ kind, id }: Pictured) {
  const params = { params: { path: { id } } }
  switch (kind) {
    case 'build':
      return ask(() => api.GET('/api/builds/{id}/picture/small', params))
    case 'board':
      return ask(() => api.GET('/api/library/boards/{id}/picture', params))
    default:
      return ask(() => api.GET('/api/library/devices/{id}/picture', params))
  }
}

/** The small picture of something; null where there is none to be had, so that it is asked for again. */
export function smallPicture(of: Pictured): Promise<SmallPicture | null> {
  const key = `${of.kind} ${of.id} ${of.version}`
  const found = kept.get(key)
  if (found) return found
  const asked = read(of).then(({ data }) => {
    if (!data) kept.delete(key)
    return data
  })
  if (of.version === undefined) return asked
  kept.set(key, asked)
  const oldest = kept.keys().next().value
  if (kept.size > most && oldest !== undefined) kept.delete(oldest)
  return asked
}
