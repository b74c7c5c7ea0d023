declare module 'yaml-js' {
  export function load(text: string): unknown
}
