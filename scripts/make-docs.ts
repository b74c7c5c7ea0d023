// Writes the documents that are made from code: npm run docs
import { writeFileSync } from 'node:fs'
import { describeSurfaces } from '../src/core/surface/describe-surfaces'
import { surfaces } from '../src/core/surface/profiles'

writeFileSync(new URL('../docs/surfaces.md', import.meta.url), describeSurfaces(surfaces))
