import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { SmallPicture as Small } from '@/api/client'
import SmallPicture from '@/features/picture/SmallPicture.vue'
import { smallPicture } from '@/features/picture/small'

const asked = vi.hoisted(() => ({ paths: [] as string[], answer: null as unknown }))
vi.mock('@/api/client', () => ({
  api: { GET: (path: string) => (asked.paths.push(path), Promise.resolve(asked.answer)) },
  ask: (call: () => Promise<unknown>) => call(),
}))
vi.mock('@/api/limits', () => ({ limits: { wireColours: { red: '#c1272d' } } }))

const picture: Small = {
  width: 20,
  height: 10,
  shapes: [
    { kind: 'body', path: 'M1 1H9V9H1Z', colour: null },
    { kind: 'supply', path: 'M9 3L19 3', colour: 'red' },
    { kind: 'signal', path: 'M9 6L19 6', colour: '' },
  ],
  texts: [{ text: 'TX', x: 8, y: 6, size: 2, anchor: 'end' }],
}

describe('small pictures', () => {
  beforeEach(() => {
    asked.paths = []
    asked.answer = { data: picture, problem: null }
  })

  it('asks once for a version, again for the next, and each time where there is none', async () => {
    const build = (version: number) => smallPicture({ kind: 'build', id: 'a', version })
    await Promise.all([build(1), build(1), build(2)])
    await build(2)
    expect(asked.paths).toHaveLength(2)
    await smallPicture({ kind: 'board', id: 'b' })
    await smallPicture({ kind: 'board', id: 'b' })
    expect(asked.paths.slice(2)).toEqual([
      '/api/library/boards/{id}/picture',
      '/api/library/boards/{id}/picture',
    ])
  })

  it('asks again for what was refused', async () => {
    asked.answer = { data: null, problem: { status: 0 } }
    const of = { kind: 'build', id: 'gone', version: 1 } as const
    expect(await smallPicture(of)).toBeNull()
    asked.answer = { data: picture, problem: null }
    await flushPromises()
    expect(await smallPicture(of)).toBe(picture)
  })

  it('draws a lead in its colour with an edge, and dashed where no manual says it', () => {
    const small = mount(SmallPicture, { props: { picture } })
    expect(small.findAll('path')).toHaveLength(4)
    expect(small.find('path.lead').attributes('style')).toContain('stroke')
    expect(small.find('path.unknown').attributes('d')).toBe('M9 6L19 6')
    expect(small.find('text').exists()).toBe(false)
    expect(
      mount(SmallPicture, { props: { picture, labels: true } })
        .find('text')
        .text(),
    ).toBe('TX')
  })
})
