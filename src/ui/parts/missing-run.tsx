import { Notice } from '../kit/notice'
import type { GoTo } from '../state/view/use-view'

/** An address names a run that this browser doesn't have: what can be done about it. */
export function MissingRun({ goTo }: { goTo: GoTo }) {
  const start = () => goTo({ area: 'gather', run: null, page: null, section: null, symptoms: [], search: '' })
  return (
    <>
      <h1 className="sr-only">This browser has no such run</h1>
      <Notice text="This browser has no such run. A run stays in the browser that made it: ask who sent you the link for the project file, open it here, and the link works. Or gather the pages again.">
        <button type="button" className="button button-main" onClick={start}>
          Open a project …
        </button>
        <button type="button" className="button" onClick={start}>
          Gather pages
        </button>
      </Notice>
    </>
  )
}
