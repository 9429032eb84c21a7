import { createPinia, setActivePinia } from 'pinia'
import { expect, test, vi } from 'vitest'
import { router, today } from '@/router'
import { useBuild } from '@/stores/build'

test('what is thought about a build is stopped when its reader leaves it, from whichever step', async () => {
  setActivePinia(createPinia())
  // Only where somebody goes matters here, not what is shown there.
  for (const route of router.getRoutes()) route.components = { default: { render: () => null } }
  const rest = vi.spyOn(useBuild(), 'rest')
  const times = async (path: string) => {
    rest.mockClear()
    await router.push(path)
    return rest.mock.calls.length
  }
  expect(await times('/builds/hare/fit')).toBe(0)
  expect(await times('/builds/hare/loom')).toBe(0)
  expect(await times('/rules')).toBe(1)
  expect(await times('/builds/hare/rails')).toBe(0)
  expect(await times('/builds/owl/rails')).toBe(1)
  expect(await times('/')).toBe(1)
  expect(await times('/drill')).toBe(0)
})

test('a link that was sent before the places in lists had one name still leads there', () => {
  expect(
    today({ path: '/builds/a/loom', query: { step: 'joint a', bench: '1', link: 'x' } }),
  ).toEqual({
    path: '/builds/a/loom',
    query: { at: 'joint a', large: '1', link: 'x' },
    replace: true,
  })
  expect(today({ path: '/builds/a/bench', query: { at: 'power', open: '1' } })).toBe(true)
})
