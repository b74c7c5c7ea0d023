import { type Draft, parseText, patternValues, renderTitle } from '../draft'
import type { GatheredPage, PageFacts } from '../model'
import type { ComposeTexts } from './compose-plan'
import type { PictureTemplate } from './template'

/** A pattern with or without parts; one that can't be read yet, while it is typed, stands as it is. */
function written(source: string, values: Parameters<typeof renderTitle>[1]): string {
  try {
    return renderTitle(parseText(source), values)
  } catch {
    return source
  }
}

/**
 * What a template writes on one page's picture; a drafted title counts before the built one.
 *
 * @param names that templates may put on its title beside its own og:site_name, the most certain first
 */
export function pageTexts(
  template: PictureTemplate,
  page: GatheredPage & { facts: PageFacts },
  section: string,
  draft: Draft | null,
  names: readonly (string | null)[],
): ComposeTexts {
  const built = patternValues(page, section, names)
  const drafted = draft?.landedAt === null ? draft.fields.title : null
  const values = drafted ? { ...built, title: drafted } : built
  return {
    title: written(template.title.text, values),
    line: template.line ? written(template.line.text, values) : '',
    mark: template.mark?.text ? written(template.mark.text, values) : '',
  }
}
