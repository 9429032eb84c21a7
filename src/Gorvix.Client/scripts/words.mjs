// Prints every sentence and label of the client's own source, by screen: "screen<tab>words"; a button's as "screen, button", a label's as
// "screen, label". What comes from the server is not here.
import { readdirSync, readFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import { parse } from 'vue/compiler-sfc'
import process from 'node:process'
import ts from 'typescript'

const root = join(import.meta.dirname, '..', 'src')
const spoken =
    /^(label|title|problem-title|text|words|print|name|heading|hint|action|example|placeholder|alt|subtitle|empty|aria-(label|description|valuetext))$/

const button = /^(v-btn|button|KeyButton|MenuButton)$/

/** Whether a literal of a script is said to somebody: a sentence, or a word that begins as one. Ids, classes and addresses are not. */
const said = (words) =>
    /[A-Za-z]{2}/.test(words) &&
    (/^[A-Z→–…][^/_]*$/.test(words) || /[a-z,.:]\s+\S/.test(words)) &&
    !/[[\]=]|^(glyph|input, select)/.test(words) &&
    !/^(M\d|Content-|Gorvix-||POST|GET|PUT|DELETE|Escape|Enter|Arrow|Home|End|Page|Tab|Backspace)/.test(
        words,
    ) &&
    !/^[a-z-]+( [a-z-]+)*$/.test(words.replace(/\{…\}/g, '').trim())

function literals(source, add) {
    const visit = (node) => {
        if (ts.isImportDeclaration(node) || ts.isTypeNode(node)) return
        if (ts.isStringLiteralLike(node)) {
            if (said(node.text)) add(node.text)
        } else if (ts.isTemplateExpression(node)) {
            const words =
                node.head.text + node.templateSpans.map((s) => `{…}${s.literal.text}`).join('')
            if (said(words)) add(words)
            node.templateSpans.forEach((s) => visit(s.expression))
        } else node.forEachChild(visit)
    }
    visit(ts.createSourceFile('x.ts', source, ts.ScriptTarget.Latest, true))
}

function template(node, add) {
    // Text, values and inline elements of one box read as one line.
    if (node.children?.length) {
        const line = node.children
            .map((c) =>
                c.type === 2
                    ? c.content
                    : c.type === 5
                      ? '{…}'
                      : c.type === 1 && /^(b|i|em|strong|span|code|kbd|a|abbr)$/.test(c.tag)
                        ? text(c)
                        : ' ',
            )
            .join('')
            .replace(/\s+/g, ' ')
            .trim()
        if (
            /[A-Za-z]{2}/.test(line.replace(/\{…\}/g, '')) &&
            node.children.some((c) => c.type === 2 && c.content.trim())
        )
            add(line, button.test(node.tag) ? 'button' : '')
    }
    for (const prop of node.props ?? []) {
        if (prop.type === 6 && spoken.test(prop.name) && prop.value?.content && node.tag !== 'slot')
            add(
                prop.value.content,
                prop.name !== 'label' ? '' : button.test(node.tag) ? 'button' : 'label',
            )
        if (prop.type === 7 && prop.exp?.content) literals(`(${prop.exp.content})`, add)
    }
    for (const child of node.children ?? []) {
        if (child.type === 5) literals(`(${child.content.content})`, add)
        if (child.type === 1) template(child, add)
    }
}
const text = (node) =>
    node.children
        .map((c) => (c.type === 2 ? c.content : c.type === 5 ? '{…}' : c.children ? text(c) : ''))
        .join('')

const lines = new Set()
for (const file of readdirSync(root, { recursive: true, withFileTypes: true })) {
    if (!file.isFile() || !/\.(vue|ts)$/.test(file.name) || file.name === 'schema.d.ts') continue
    const path = join(file.parentPath, file.name)
    const place = relative(root, path).split('/')
    const screen = place[0] === 'features' ? place[1] : 'everywhere'
    const add = (words, kind) =>
        lines.add(`${screen}${kind ? `, ${kind}` : ''}\t${words.replace(/\s+/g, ' ').trim()}`)
    const source = readFileSync(path, 'utf8')
    if (file.name.endsWith('.ts')) literals(source, add)
    else {
        const { descriptor } = parse(source)
        if (descriptor.template) template(descriptor.template.ast, add)
        literals(descriptor.scriptSetup?.content ?? descriptor.script?.content ?? '', add)
    }
}
process.stdout.write([...lines].sort().join('\n') + '\n')
