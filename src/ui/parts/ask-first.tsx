'use client'

import { AlertDialog } from 'radix-ui'
import { type ReactNode, useCallback, useState } from 'react'
import { parseUrl } from '@/core/address'
import type { StoredRun } from '@/store/database'

type Asking = { address: string; go: () => void }

/** An address as the two things that one has to know of it: where it leads, and what is asked there. */
function hostAndPath(address: string): { host: string; path: string } {
  const url = parseUrl(address)
  if (!url) return { host: address, path: '' }
  const { protocol, host, pathname, search } = url
  return { host: `${protocol}//${host}`, path: pathname + search }
}

/**
 * A run that came with a project archive names addresses that its maker chose: nothing is asked there before the reader
 * has seen them and said yes. Runs made here go on at once.
 */
export function useAskFirst(): {
  askFirst: (run: StoredRun, address: string | null, go: () => void) => void
  dialog: ReactNode
} {
  const [asking, setAsking] = useState<Asking | null>(null)
  const askFirst = useCallback((run: StoredRun, address: string | null, go: () => void) => {
    if (run.imported && address !== null) setAsking({ address, go })
    else go()
  }, [])
  const dialog = asking && <AskFirst asking={asking} onClose={() => setAsking(null)} />
  return { askFirst, dialog }
}

function AskFirst({ asking, onClose }: { asking: Asking; onClose: () => void }) {
  const { host, path } = hostAndPath(asking.address)
  return (
    <AlertDialog.Root open onOpenChange={(isOpen) => !isOpen && onClose()}>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <AlertDialog.Content className="fixed left-1/2 top-[14vh] z-50 grid w-[min(520px,94vw)] -translate-x-1/2 gap-4 rounded-[10px] border border-line bg-sheet p-5 text-ink shadow-2xl">
          <AlertDialog.Title className="font-display text-title font-semibold">
            Ask an address from the archive?
          </AlertDialog.Title>
          <AlertDialog.Description asChild>
            <div className="grid gap-3">
              <p>
                This run came with a project archive, and so did the address. The app’s server would ask it, from inside
                your network. Go on only if you know it.
              </p>
              <dl className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-1 rounded-card bg-soft px-3 py-2 text-small">
                <dt className="text-quiet">Host</dt>
                <dd className="font-mono font-semibold [overflow-wrap:anywhere]">{host}</dd>
                <dt className="text-quiet">Path</dt>
                <dd className="font-mono [overflow-wrap:anywhere]">{path}</dd>
              </dl>
            </div>
          </AlertDialog.Description>
          <div className="flex justify-end gap-2">
            <AlertDialog.Cancel className="button">Leave it</AlertDialog.Cancel>
            <AlertDialog.Action className="button button-main" onClick={asking.go}>
              Ask it
            </AlertDialog.Action>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  )
}
