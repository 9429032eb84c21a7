import { useLocalStorage } from '@vueuse/core'
import { shallowRef, watch, type ShallowRef } from 'vue'
import { api, ask, type FacePad } from '@/api/client'

type Side = NonNullable<FacePad['side']>
/** Addresses of straightened photos, by the side that they show. */
export type FacePhotos = Partial<Record<Side, string>>

/** Whether faces show the photo where there is one; one choice for all of them. */
export const showsPhoto = useLocalStorage('gorvix-face-photo', false)

/** The straightened photos of a board; none for one that is not in the library. */
export function useFacePhotos(board: () => string): ShallowRef<FacePhotos> {
  const photos = shallowRef<FacePhotos>({})
  watch(
    board,
    async (id) => {
      photos.value = {}
      if (!id) return
      const { data } = await ask(() =>
        api.GET('/api/library/boards/{id}/photos', { params: { path: { id } } }),
      )
      if (!data || board() !== id) return
      const at = `/api/library/boards/${encodeURIComponent(id)}/photos`
      photos.value = Object.fromEntries(
        data.map(({ photo, stamp }) => [photo.side, `${at}/${photo.side}/face?v=${stamp}`]),
      )
    },
    { immediate: true },
  )
  return photos
}
