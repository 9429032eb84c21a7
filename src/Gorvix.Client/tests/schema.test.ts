import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import Ajv2020 from 'ajv/dist/2020'
import { describe, expect, it } from 'vitest'

// A reader of JSON Schema that is not ours (source: Ajv, draft 2020-12).
const root = join(import.meta.dirname, '../../..')
const read = (path: string): unknown => JSON.parse(readFileSync(join(root, path), 'utf8'))
const ajv = new Ajv2020({ strict: true, allErrors: true })
const valid = ajv.compile(read('docs/gorvix.schema.json') as object)
const files = ['demo/builds', 'demo/parts'].flatMap((dir) =>
  readdirSync(join(root, dir)).map((name) => `${dir}/${name}`),
)

describe('the schema of the files', () => {
  it.each(files)('takes %s', (file) => {
    expect(valid(read(file)), ajv.errorsText(valid.errors)).toBe(true)
  })

  it('refuses a member that nobody knows, wherever it stands', () => {
    const file = read('demo/builds/rim-walk-rook.json') as { builds: { wants: object[] }[] }
    const want = file.builds[0]?.wants[0]
    expect(want).toBeDefined()
    Object.assign(want ?? {}, { colour: 'red' })
    expect(valid(file)).toBe(false)
    expect(ajv.errorsText(valid.errors)).toContain('must NOT have additional properties')
  })

  it('refuses an older version, which the program brings up by itself', () => {
    expect(valid({ format: 'gorvix', version: 1 })).toBe(false)
  })
})
