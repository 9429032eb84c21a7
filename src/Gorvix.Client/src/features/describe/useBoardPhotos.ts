import { computed, ref, shallowRef } from 'vue'
import { api, ask, askForPicture, type FacePad, type PhotoMark, type Problem } from '@/api/client'
import { showsPhoto } from '@/features/board/photos'

export type Side = NonNullable<FacePad['side']>

/** A photo of one side while the board is described. */
export interface SidePhoto {
  file: Blob
  /** The photo as an address. */
  url: string
  width: number
  height: number
  marks: PhotoMark[]
  /** The straightened photo as an address; null for one that was not changed: the face has it. */
  face: string | null
}

/** How large a picture is, in points. */
async function sizeOf(url: string) {
  const picture = new Image()
  picture.src = url
  await picture.decode()
  return { width: picture.naturalWidth, height: picture.naturalHeight }
}

const listOf = (marks: PhotoMark[]) => marks.map((m) => [m.x, m.y, m.u, m.v].join(',')).join(';')

/** The photos of a board that is described. They are stored with it, when it is saved. */
export function useBoardPhotos(id: string | null) {
  const kept = shallowRef<Partial<Record<Side, { stamp: string; marks: PhotoMark[] }>>>({})
  /** What was changed; null for a photo that was taken away. */
  const changed = shallowRef<Partial<Record<Side, SidePhoto | null>>>({})
  const problem = ref<Problem | null>(null)
  const at = `/api/library/boards/${encodeURIComponent(id ?? '')}/photos`

  async function load() {
    if (!id) return
    const { data } = await ask(() =>
      api.GET('/api/library/boards/{id}/photos', { params: { path: { id } } }),
    )
    kept.value = Object.fromEntries(
      (data ?? []).map(({ photo, stamp }) => [photo.side, { stamp, marks: photo.marks }]),
    )
  }

  /** How many points are marked on the photo of a side; null where there is none. */
  function points(side: Side): number | null {
    const now = changed.value[side]
    return now !== undefined
      ? (now?.marks.length ?? null)
      : (kept.value[side]?.marks.length ?? null)
  }

  /** A file as a photo: upright, no larger than it is kept, and without all that is no picture. */
  async function read(file: Blob): Promise<SidePhoto | null> {
    const { data, problem: refused } = await askForPicture('/api/describe/photo', file)
    problem.value = refused
    return data ? { ...data, ...(await sizeOf(data.url)), marks: [], face: null } : null
  }

  /** The photo of a side, to be marked anew. */
  async function open(side: Side): Promise<SidePhoto | null> {
    const now = changed.value[side]
    if (now) return now
    const { data, problem: refused } = await askForPicture(
      `${at}/${side}?v=${kept.value[side]?.stamp}`,
    )
    problem.value = refused
    if (!data) return null
    return {
      ...data,
      ...(await sizeOf(data.url)),
      marks: kept.value[side]?.marks ?? [],
      face: null,
    }
  }

  /** Straightens a photo and takes it for its side. */
  async function take(side: Side, photo: SidePhoto, width: number, depth: number) {
    const query = new URLSearchParams({
      marks: listOf(photo.marks),
      width: `${width}`,
      depth: `${depth}`,
    })
    const { data, problem: refused } = await askForPicture(
      `/api/describe/photo/straight?${query}`,
      photo.file,
    )
    problem.value = refused
    if (!data) return false
    changed.value = { ...changed.value, [side]: { ...photo, face: data.url } }
    showsPhoto.value = true
    return true
  }

  // What a side showed before its photo was taken away; undefined is what is stored.
  const before: Partial<Record<Side, SidePhoto | null>> = {}
  function remove(side: Side) {
    before[side] = changed.value[side]
    changed.value = { ...changed.value, [side]: null }
  }

  /** Brings back the photo that was taken away. */
  function bringBack(side: Side) {
    const was = before[side]
    changed.value = Object.fromEntries(
      Object.entries({ ...changed.value, [side]: was }).filter(([, photo]) => photo !== undefined),
    )
  }

  function forget() {
    changed.value = {}
  }

  /** Stores what was changed with a board that is saved. Tells whether all of it is. */
  async function save(board: string): Promise<boolean> {
    for (const [side, photo] of Object.entries(changed.value) as [Side, SidePhoto | null][]) {
      const path = { id: board, side }
      const { problem: refused } = photo
        ? await ask(() =>
            api.PUT('/api/library/boards/{id}/photos/{side}', {
              params: { path, query: { marks: listOf(photo.marks) } },
              body: photo.file as never,
              bodySerializer: (body: unknown) => body as Blob,
              headers: { 'Content-Type': 'application/octet-stream' },
            }),
          )
        : kept.value[side]
          ? await ask(() =>
              api.DELETE('/api/library/boards/{id}/photos/{side}', { params: { path } }),
            )
          : { problem: null }
      problem.value = refused
      if (refused) return false
      // What is stored is not stored again when the rest is tried once more.
      changed.value = Object.fromEntries(
        Object.entries(changed.value).filter(([other]) => other !== side),
      )
    }
    return true
  }

  void load()
  return {
    problem,
    points,
    read,
    open,
    take,
    remove,
    bringBack,
    /** Whether the photo of a side was taken away and can be brought back. */
    isRemoved: (side: Side) => changed.value[side] === null,
    forget,
    save,
    isChanged: computed(() => Object.keys(changed.value).length > 0),
    /** Straightened photos that are not saved yet; null for those that were taken away. */
    own: computed(
      () =>
        Object.fromEntries(
          Object.entries(changed.value).map(([side, photo]) => [side, photo?.face ?? null]),
        ) as Partial<Record<Side, string | null>>,
    ),
  }
}
