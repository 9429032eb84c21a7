import { expect, test } from 'vitest'
import typed from '../src/theme/components?raw'

const screens = import.meta.glob<string>('../src/**/*.vue', {
  query: '?raw',
  import: 'default',
  eager: true,
})
const types = import.meta.glob<string>('../node_modules/vuetify/lib/components/*/index.d.ts', {
  query: '?raw',
  import: 'default',
  eager: true,
})

test('the types of every component that is used are read', () => {
  const lists = [...typed.matchAll(/'vuetify(\/components\/\w+)'/g)].map(
    (m) => types[`../node_modules/vuetify/lib${m[1]}/index.d.ts`] ?? '',
  )
  const known = new Set(lists.flatMap((list) => list.match(/\bV\w+/g) ?? []))
  const used = Object.values(screens)
    .flatMap((screen) => screen.match(/(?<=<)v-[a-z-]+/g) ?? [])
    .map((tag) => tag.replace(/(?:^|-)([a-z])/g, (_, letter: string) => letter.toUpperCase()))
  expect(used.length).toBeGreaterThan(100)
  expect([...new Set(used)].filter((name) => !known.has(name))).toEqual([])
})
