import { type DragEvent, useState } from 'react'

/** Text that is dragged is left to the field that it is dropped on. */
const hasFiles = ({ dataTransfer }: DragEvent) => dataTransfer.types.includes('Files')

/** A place that files are dropped on. @returns whether something hovers over it, and what the place listens with */
export function useDrop(onDropped: (transfer: DataTransfer) => void) {
  const [isOver, setIsOver] = useState(false)
  return {
    isOver,
    place: {
      onDragOver: (event: DragEvent) => {
        if (!hasFiles(event)) return
        event.preventDefault()
        setIsOver(true)
      },
      onDragLeave: () => setIsOver(false),
      onDrop: (event: DragEvent) => {
        setIsOver(false)
        if (!hasFiles(event)) return
        event.preventDefault()
        onDropped(event.dataTransfer)
      },
    },
  }
}
