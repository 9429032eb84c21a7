import Ajv2020 from 'ajv/dist/2020'
import addFormats from 'ajv-formats'
import { describe, expect, it } from 'vitest'

// A reader of JSON Schema that is not ours (source: Ajv, draft 2020-12).
// What happened to a craft is kept in lists of its own; they are read by the tests of the log.
const files = import.meta.glob(['../../../demo/**/*.json', '!../../../demo/records/**'], {
  eager: true,
  import: 'default',
})
const docs = import.meta.glob('../../../docs/*.schema.json', { eager: true, import: 'default' })
const ajv = addFormats(new Ajv2020({ strict: true, allErrors: true }))
const valid = ajv.compile(Object.values(docs)[0] as object)

describe('the schema of the files', () => {
  it('is one, and there are files to look at', () => {
    expect(Object.keys(docs)).toHaveLength(1)
    expect(Object.keys(files).length).toBeGreaterThan(50)
  })

  it.each(Object.entries(files))('takes %s', (_, file) => {
    expect(valid(file), ajv.errorsText(valid.errors)).toBe(true)
  })

  it('refuses a member that nobody knows, wherever it stands', () => {
    const rook = files['../../../demo/builds/rim-walk-rook.json']
    const file = structuredClone(rook) as { builds: { links: object[] }[] }
    const link = file.builds[0]?.links[0]
    expect(link).toBeDefined()
    Object.assign(link ?? {}, { colour: 'red' })
    expect(valid(file)).toBe(false)
    expect(ajv.errorsText(valid.errors)).toContain('must NOT have additional properties')
  })

  it('refuses an older version, which the program brings up by itself', () => {
    expect(valid({ format: 'gorvix', version: 1 })).toBe(false)
  })
})
