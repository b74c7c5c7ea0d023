import { expect, test } from 'vitest'
import { isPreviewHost } from './preview-host'

test.each([
  ['staging.site.example', true],
  ['www.staging.site.example', true],
  ['staging2.site.example', true],
  ['site-staging.site.example', true],
  ['deploy-preview-7--lamps.pages.example', true],
  ['preview-12.lamps.example', true],
  ['lamps-git-main-hall.host.example', true],
  ['site.example', false],
  ['www.site.example', false],
  ['docs.site.example', false],
  ['device.site.example', false],
  ['staging.example', false],
  ['xn--bcher-kva.site.example', false],
  ['localhost', false],
])('%s: %s', (host, expected) => expect(isPreviewHost(host)).toBe(expected))
