'use client'

import { type PictureTemplate, patternFault } from '@/core/compose'
import type { RefitType, SiteColor } from '@/core/image'
import { NumberField } from '../../../kit/number-field'
import { Segments } from '../../../kit/segments'
import { bytes } from '../../../kit/words'
import { shippedFamilies } from '../../../parts/declared-faces'
import { useSurfaces } from '../../../state/surface/use-surfaces'
import { SHAPES, TYPES } from '../refit-pane'
import { DesignPicker } from './design-picker'
import { FileField } from './file-field'
import { GroundRows, PanelRows } from './ground-rows'
import { Choice, ColorField, Row } from './template-row'

const WEIGHTS = [
  { id: '400', name: 'Regular' },
  { id: '600', name: 'Semibold' },
  { id: '700', name: 'Bold' },
]
const ALIGNS = [
  { id: 'start', name: 'Start' },
  { id: 'center', name: 'Centre' },
] as const
const HEIGHTS = [
  { id: 'top', name: 'Top' },
  { id: 'middle', name: 'Middle' },
  { id: 'bottom', name: 'Bottom' },
] as const
/** Files for letters that the face lacks, as the schema of templates has it. */
const MOST_ALSO = 4
const FOLDER = /^(?:[\w-][\w.-]*\/)*$/

type Props = { site: string; template: PictureTemplate; change: (change: Partial<PictureTemplate>) => void }

/** Everything that a template says, in the order in which it is seen. */
export function TemplatePane({ site, colors, template, change }: Props & { colors: readonly SiteColor[] }) {
  return (
    <section aria-label="Template" className="grid grid-cols-[56px_minmax(0,1fr)] items-center gap-x-2 gap-y-[7px]">
      <DesignPicker colors={colors} template={template} change={change} />
      <ShapeRows template={template} change={change} />
      <GroundRows template={template} change={change} />
      <PanelRows template={template} change={change} />
      <TitleRows site={site} template={template} change={change} />
      <MarkRows site={site} template={template} change={change} />
      <PlaceRows template={template} change={change} />
      <FileRows template={template} change={change} />
    </section>
  )
}

function ShapeRows({ template: { shape }, change }: Omit<Props, 'site'>) {
  return (
    <Row name="Shape">
      <Segments
        name="Shape"
        className="flex-1"
        choices={SHAPES}
        chosen={SHAPES.find((one) => one.shape.width === shape.width && one.shape.height === shape.height)?.id ?? null}
        onChoose={(id) => change({ shape: SHAPES.find((one) => one.id === id)!.shape })}
      />
    </Row>
  )
}

function PatternInput({ name, value, onChange }: { name: string; value: string; onChange: (text: string) => void }) {
  const fault = patternFault(value)
  return (
    <span className="w-full">
      <input
        aria-label={name}
        aria-invalid={fault !== null}
        className="field h-[28px]! font-mono text-small"
        value={value}
        onChange={({ target }) => onChange(target.value)}
      />
      {fault !== null && <span className="block text-fine text-wrong">{fault}</span>}
    </span>
  )
}

function TitleRows({ site, template, change }: Props) {
  const { title, face, line } = template
  const set = (part: Partial<PictureTemplate['title']>) => change({ title: { ...title, ...part } })
  const families = [...shippedFamilies.map((id) => ({ id: id as string, name: id as string }))]
  if (!families.some(({ id }) => id === face.family)) families.push({ id: face.family, name: face.family })
  return (
    <>
      <Row name="Title">
        <PatternInput name="Title’s text" value={title.text} onChange={(text) => text && set({ text })} />
        <NumberField
          name="Title at most, in px"
          value={title.largest}
          least={title.smallest}
          most={400}
          onChange={(largest) => set({ largest })}
        />
        <span className="text-quiet">to</span>
        <NumberField
          name="Title at least, in px"
          value={title.smallest}
          least={8}
          most={title.largest}
          onChange={(smallest) => set({ smallest })}
        />
        <span className="text-quiet">px</span>
      </Row>
      <Row name="Lines">
        <NumberField name="Lines at most" value={title.lines} least={1} most={8} onChange={(lines) => set({ lines })} />
        <span className="text-quiet">at most</span>
      </Row>
      <Row name="Stands">
        <Segments
          className="flex-1"
          name="Title’s place"
          choices={HEIGHTS}
          chosen={title.at}
          onChoose={(at) => set({ at })}
        />
        <Segments name="Alignment" choices={ALIGNS} chosen={template.align} onChoose={(align) => change({ align })} />
      </Row>
      <Row name="Face">
        {face.file ? (
          <span className="w-full truncate font-mono text-small">{face.file}</span>
        ) : (
          <Choice
            name="Face"
            value={face.family}
            className="basis-full"
            choices={families}
            onChange={(family) => change({ face: { ...face, family } })}
          />
        )}
        <Choice
          name="Weight of the letters"
          value={String(face.weight)}
          choices={
            WEIGHTS.some(({ id }) => id === String(face.weight))
              ? WEIGHTS
              : [...WEIGHTS, { id: String(face.weight), name: String(face.weight) }]
          }
          onChange={(weight) => change({ face: { ...face, weight: Number(weight) } })}
        />
        <ColorField name="Colour of the letters" value={template.color} onChange={(color) => change({ color })} />
        <FileField
          site={site}
          name="Font file"
          accept=".woff2,.woff,.ttf,.otf"
          chosen={face.file}
          onChoose={(file) => {
            const { file: _old, ...rest } = face
            change({ face: file ? { ...rest, file } : rest })
          }}
        />
        {(face.also ?? []).map((file) => (
          <span key={file} className="flex w-full items-baseline gap-2 text-small">
            <span className="min-w-0 truncate font-mono">{file}</span>
            <button
              type="button"
              className="shrink-0 text-pick hover:underline"
              aria-label={`Without ${file}`}
              onClick={() => change({ face: { ...face, also: face.also!.filter((one) => one !== file) } })}
            >
              Without it
            </button>
          </span>
        ))}
        {(face.also?.length ?? 0) < MOST_ALSO && (
          <FileField
            site={site}
            name="For letters that it lacks"
            accept=".woff2,.woff,.ttf,.otf"
            chosen={undefined}
            onChoose={(file) => {
              if (file) change({ face: { ...face, also: [...new Set([...(face.also ?? []), file])] } })
            }}
          />
        )}
      </Row>
      <Row name="Line">
        <OptionalText
          name="A second line"
          value={line?.text}
          first="{section}"
          onChange={(text) => {
            if (text === null) change({ line: undefined })
            else change({ line: { size: line?.size ?? 32, text } })
          }}
        />
        {line && (
          <>
            <NumberField
              name="Second line, in px"
              value={line.size}
              least={8}
              most={200}
              onChange={(size) => change({ line: { ...line, size } })}
            />
            <span className="text-quiet">px</span>
          </>
        )}
      </Row>
    </>
  )
}

/** A text that may be left out. */
function OptionalText({
  name,
  value,
  first,
  onChange,
}: {
  name: string
  value: string | undefined
  first: string
  onChange: (text: string | null) => void
}) {
  return (
    <>
      <label className="flex w-full items-center gap-2 pt-[3px] text-small">
        <input
          type="checkbox"
          className="accent-(--pick)"
          checked={value !== undefined}
          onChange={({ target }) => onChange(target.checked ? first : null)}
        />
        {name}
      </label>
      {value !== undefined && (
        <PatternInput name={`${name}: its text`} value={value} onChange={(text) => text && onChange(text)} />
      )}
    </>
  )
}

function MarkRows({ site, template: { mark }, change }: Props) {
  const now = mark ?? { height: 30, place: 'bottom' as const }
  const set = (part: Partial<NonNullable<PictureTemplate['mark']>>) => {
    const next = { ...now, ...part }
    if (next.text === undefined) delete next.text
    if (next.file === undefined) delete next.file
    change({ mark: next.text === undefined && next.file === undefined ? undefined : next })
  }
  return (
    <Row name="Mark">
      <OptionalText
        name="The site’s name"
        value={mark?.text}
        first="{site}"
        onChange={(text) => set({ text: text ?? undefined })}
      />
      {mark?.file && <span className="w-full truncate font-mono text-small">{mark.file}</span>}
      <FileField
        site={site}
        name="Picture of the mark"
        accept=".svg,.png,.jpg,.jpeg,.webp"
        chosen={mark?.file}
        onChoose={(file) => set({ file: file ?? undefined })}
      />
      {mark && (
        <span className="flex w-full items-center gap-1">
          <NumberField
            name="Height of the mark, in px"
            value={mark.height}
            least={8}
            most={600}
            onChange={(height) => set({ height })}
          />
          <span className="text-quiet">px</span>
          <Segments
            className="ml-auto"
            name="Place of the mark"
            choices={HEIGHTS.filter(({ id }) => id !== 'middle')}
            chosen={mark.place}
            onChoose={(place) => set({ place: place as 'top' | 'bottom' })}
          />
        </span>
      )}
    </Row>
  )
}

function PlaceRows({ template: { places, margin }, change }: Omit<Props, 'site'>) {
  const withPictures = useSurfaces().filter(({ picture }) => picture !== null)
  const counted = new Set(places ?? withPictures.map(({ id }) => id))
  return (
    <>
      <Row name="Kept by">
        <details className="w-full">
          <summary className="pt-[4px]">
            {counted.size === withPictures.length ? 'all places' : `${counted.size} of ${withPictures.length} places`}
          </summary>
          {withPictures.map(({ id, name }) => (
            <label key={id} className="flex items-center gap-2 text-small">
              <input
                type="checkbox"
                className="accent-(--pick)"
                checked={counted.has(id)}
                onChange={() => {
                  const next = withPictures.map((one) => one.id).filter((one) => counted.has(one) !== (one === id))
                  change({ places: next.length === withPictures.length ? undefined : next })
                }}
              />
              {name}
            </label>
          ))}
        </details>
      </Row>
      <Row name="Margin">
        <NumberField
          name="Margin, in px"
          value={margin}
          least={0}
          most={400}
          onChange={(next) => change({ margin: next })}
        />
        <span className="text-quiet">px inside that</span>
      </Row>
    </>
  )
}

function FileRows({ template: { folder, type, budget }, change }: Omit<Props, 'site'>) {
  return (
    <>
      <Row name="Folder">
        <input
          aria-label="Folder in the build"
          className="field h-[28px]! font-mono text-small"
          key={folder}
          defaultValue={folder}
          onBlur={({ target }) => {
            const typed = target.value.replace(/^\/+/, '').replace(/([^/])$/, '$1/')
            if (FOLDER.test(typed)) change({ folder: typed })
            else target.value = folder
          }}
        />
      </Row>
      <Row name="Format">
        <Choice
          name="Format"
          value={type}
          choices={TYPES.map((one) => ({ id: one.type, name: one.name }))}
          onChange={(next: RefitType) => change({ type: next })}
        />
        <NumberField
          name="Weight at most, in KB"
          value={Math.round(budget / 1000)}
          least={5}
          most={5000}
          onChange={(kilobytes) => change({ budget: kilobytes * 1000 })}
        />
        <span className="text-quiet">KB</span>
        <span className="sr-only">at most {bytes(budget)}</span>
      </Row>
    </>
  )
}
