import type { ReactElement } from 'react'
import { renderToStaticMarkup } from 'react-dom/server'
import { expect, test } from 'vitest'
import { FileButton } from './file-button'
import { Notice } from './notice'
import { NumberField } from './number-field'
import { SaveMenu } from './save-menu'
import { Segments } from './segments'
import { StoppableProgress } from './stoppable-progress'

// What each part is to those who don't see it; what it does when it is used, the browser tests hold.

/** Elements of the markup with one attribute, as objects of their attributes. */
function elements(shown: ReactElement, attribute: string): Record<string, string>[] {
  return [...renderToStaticMarkup(shown).matchAll(/<\w+ [^>]*>/g)]
    .map(([tag]) =>
      Object.fromEntries([...tag.matchAll(/([\w-]+)="([^"]*)"/g)].map(([, name, value]) => [name!, value!])),
    )
    .filter((attributes) => attribute in attributes)
}

const nothing = () => {}
const CHOICES = [
  { id: 'a', name: 'One' },
  { id: 'b', name: 'Two', about: 'The second.' },
] as const

test('segments are one group of radios with a name, of which one is checked', () => {
  const shown = elements(<Segments name="Which" choices={CHOICES} chosen="b" onChoose={nothing} />, 'role')
  expect(shown.map(({ role }) => role)).toEqual(['radiogroup', 'radio', 'radio'])
  expect(shown[0]!['aria-label']).toBe('Which')
  expect(shown.slice(1).map((one) => one['aria-checked'])).toEqual(['false', 'true'])
  expect(shown[2]!['title']).toBe('The second.')
})

test('segments of which none holds check none', () => {
  const shown = elements(<Segments name="Which" choices={CHOICES} chosen={null} onChoose={nothing} />, 'aria-checked')
  expect(shown.map((one) => one['aria-checked'])).toEqual(['false', 'false'])
})

test.each([
  [5, 'false', undefined],
  [11, 'true', '1 to 10'],
])('a number field with %s says whether it is within its bounds', (value, invalid, title) => {
  const [field] = elements(<NumberField name="Width" value={value} least={1} most={10} onChange={nothing} />, 'value')
  expect(field).toMatchObject({ 'aria-label': 'Width', 'aria-invalid': invalid, value: String(value) })
  expect(field!['title']).toBe(title)
})

test.each([
  ['one', [false, false]],
  ['several', [true, false]],
  ['folder', [false, true]],
] as const)('a file button that asks for %s', (asks, [isMany, isFolder]) => {
  const markup = renderToStaticMarkup(
    <FileButton asks={asks} label="Files" onChosen={nothing}>
      Choose
    </FileButton>,
  )
  expect(markup).toContain('Choose')
  expect([/ multiple=/.test(markup), / webkitdirectory=/.test(markup)]).toEqual([isMany, isFolder])
})

test('what has nothing to show says why, and offers a way on', () => {
  const markup = renderToStaticMarkup(
    <Notice text="No run yet.">
      <button type="button">Gather</button>
    </Notice>,
  )
  expect(markup).toMatch(/No run yet\..*<button type="button">Gather<\/button>/)
})

test('progress is told as it goes on, and can be stopped', () => {
  const markup = renderToStaticMarkup(<StoppableProgress done={3} of={9} onStop={nothing} />)
  expect(markup).toMatch(/aria-live="polite">3 of 9 …<.*<button[^>]*>Stop</)
})

test('a menu of forms is a button that says it opens one', () => {
  const [button] = elements(
    <SaveMenu name="Save" groups={[[{ name: 'HTML', save: async () => {} }]]} />,
    'aria-haspopup',
  )
  expect(button).toMatchObject({ 'aria-haspopup': 'menu', 'aria-expanded': 'false' })
})
