import { styleText } from 'node:util'
import type { Style } from '@/core/report'

const FORMATS = {
  error: ['bold', 'red'],
  warning: ['yellow'],
  note: ['cyan'],
  quiet: ['dim'],
  strong: ['bold'],
} as const

export const terminalStyle: Style = (level, text) => styleText([...FORMATS[level]], text)
