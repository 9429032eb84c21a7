import type { RouteLocationRaw } from 'vue-router'
import type { FoundThing, RuleText } from '@/api/client'
import { terms } from '@/features/glossary/terms'

/** A thing that was found, and where it opens. */
export interface Hit {
  kind: string
  title: string
  about: string | null
  to: RouteLocationRaw
}

const groups: Record<FoundThing['kind'], string> = {
  build: 'Builds',
  link: 'Links',
  pad: 'Pads',
  step: 'Wiring steps',
  setting: 'Settings',
  check: 'Checks',
  log: 'Log',
  board: 'Boards',
  device: 'Devices',
}

/** Where a thing opens. */
export function placeOf({ kind, id, build }: FoundThing): RouteLocationRaw {
  const params = { id: build ?? '' }
  switch (kind) {
    case 'build':
      return { name: 'fit', params: { id } }
    case 'link':
      return { name: 'fit', params, query: { link: id } }
    case 'pad':
      return { name: 'fit', params, query: id ? { port: id } : {} }
    case 'step':
      return { name: 'loom', params, query: { at: id } }
    case 'setting':
      return { name: 'settings', params, query: { at: id } }
    case 'check':
      return { name: 'bench', params, query: { at: id } }
    case 'log':
      return { name: 'log', params, query: { kind: id } }
    case 'board':
      return { name: 'part', params: { type: 'boards', id } }
    case 'device':
      return { name: 'part', params: { type: 'devices', id } }
  }
}

export const hitOf = (thing: FoundThing): Hit => ({
  kind: groups[thing.kind],
  title: thing.title,
  about: thing.about,
  to: placeOf(thing),
})

const most = 6

/** Rules and terms, which the browser has: those that hold all words, the ones called so first. */
export function known(asked: string, rules: RuleText[]): Hit[] {
  const words = asked.toLowerCase().split(' ').filter(Boolean)
  if (words.length === 0) return []
  const holds = (text: string) => words.every((w) => text.toLowerCase().includes(w))
  const near = (title: string) => Number(!title.toLowerCase().startsWith(words.join(' ')))
  const best = <T>(list: T[], title: (of: T) => string, all: (of: T) => string) =>
    list
      .filter((t) => holds(all(t)))
      .sort((a, b) => near(title(a)) - near(title(b)))
      .slice(0, most)
  return [
    ...best(
      terms,
      (t) => t.term,
      (t) => `${t.term} ${t.also ?? ''}`,
    ).map((t) => ({
      kind: 'Glossary',
      title: t.term,
      about: t.means,
      to: { name: 'glossary', query: { term: t.id } },
    })),
    ...best(
      rules,
      (r) => r.id,
      (r) => `${r.id} ${r.title} ${r.sentence}`,
    ).map((r) => ({
      kind: 'Rules',
      title: r.id,
      about: r.title,
      to: { name: 'rules', params: { rule: r.id } },
    })),
  ]
}
