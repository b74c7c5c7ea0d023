// The types of the programming interface in one file that needs nothing else: types that are inferred from schemas are
// written out as what they are.
import { join } from 'node:path'
import ts from 'typescript'
import { root } from './setup.mjs'

const WRITTEN_OUT =
  ts.TypeFormatFlags.NoTruncation |
  ts.TypeFormatFlags.InTypeAlias |
  ts.TypeFormatFlags.MultilineObjectLiterals |
  ts.TypeFormatFlags.UseAliasDefinedOutsideCurrentScope

const commentOf = (symbol, checker) => {
  const text = ts.displayPartsToString(symbol.getDocumentationComment(checker))
  const tags = symbol.getJsDocTags(checker).map(({ name, text: said }) => `@${name} ${ts.displayPartsToString(said)}`)
  const lines = [...text.split('\n'), ...(tags.length > 0 ? ['', ...tags] : [])]
  return text === '' ? '' : `/**\n${lines.map((line) => ` * ${line}`.trimEnd()).join('\n')}\n */\n`
}

/** @param entry the module whose exports are declared @returns the text of a .d.mts file */
export function declarationsOf(entry) {
  const { config } = ts.readConfigFile(join(root, 'tsconfig.json'), ts.sys.readFile)
  const { options } = ts.parseJsonConfigFileContent({ ...config, include: [], files: [entry] }, ts.sys, root)
  const program = ts.createProgram([entry], { ...options, incremental: false })
  const checker = program.getTypeChecker()
  const source = program.getSourceFile(entry)
  const exported = checker.getExportsOfModule(checker.getSymbolAtLocation(source))
  const parts = exported.map((one) => {
    const symbol = one.flags & ts.SymbolFlags.Alias ? checker.getAliasedSymbol(one) : one
    const comment = commentOf(symbol, checker)
    const name = one.getName()
    if (symbol.flags & ts.SymbolFlags.TypeAlias) {
      const type = checker.getDeclaredTypeOfSymbol(symbol)
      return `${comment}export type ${name} = ${checker.typeToString(type, undefined, WRITTEN_OUT)}\n`
    }
    if (symbol.flags & ts.SymbolFlags.Class) return `${comment}export declare class ${name} extends Error {}\n`
    if (symbol.flags & ts.SymbolFlags.Function) {
      const { parameters, type } = symbol.valueDeclaration
      const given = parameters.map((parameter) => {
        const isOptional = parameter.initializer || parameter.questionToken
        return `${parameter.name.getText()}${isOptional ? '?' : ''}: ${parameter.type.getText()}`
      })
      return `${comment}export declare function ${name}(${given.join(', ')}): ${type.getText()}\n`
    }
    return `${comment}export declare const ${name}: string\n`
  })
  const known = new Set([...BUILT_IN, ...exported.map((one) => one.getName())])
  // Types that those name have names of their own: they are declared too, and not exported.
  for (let at = 0; at < parts.length; at++) {
    for (const [name] of withoutTexts(parts[at]).matchAll(/\b[A-Z]\w*\b/g)) {
      if (known.has(name)) continue
      known.add(name)
      const symbol = typeCalled(name, program, checker)
      const type = checker.typeToString(checker.getDeclaredTypeOfSymbol(symbol), undefined, WRITTEN_OUT)
      parts.push(`${commentOf(symbol, checker)}type ${name} = ${type}\n`)
    }
  }
  return `${parts.join('\n')}\nexport {}\n`
}

const BUILT_IN = ['Promise', 'Record', 'Array', 'Readonly', 'ReadonlyArray', 'Partial', 'Error']

/** Declarations without what is no code in them: comments, and texts in quotes. */
const withoutTexts = (text) => text.replace(/\/\*[\s\S]*?\*\/|"[^"]*"/g, '')

/** The type of a name that a file of the core exports. */
function typeCalled(name, program, checker) {
  for (const file of program.getSourceFiles()) {
    if (file.isDeclarationFile || !file.fileName.includes('/src/')) continue
    const symbol = checker.getSymbolAtLocation(file)?.exports?.get(name)
    if (symbol && symbol.flags & ts.SymbolFlags.TypeAlias) return symbol
  }
  throw new Error(`The type ${name} is exported nowhere: export it, or write it out where it is used.`)
}
