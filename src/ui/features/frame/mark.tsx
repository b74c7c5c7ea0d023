/** The parrot, drawn to stand on the dark bar. */
export function Mark() {
  return (
    <svg viewBox="0 0 32 32" className="size-[26px]" aria-hidden="true">
      <path d="M4 28C4 13 12 4 22 4c5 0 8 3 8 8 0 11-12 9-16 16z" fill="#4fcf8f" />
      <path d="M9 25c1-8 6-12 12-13-2 7-7 8-9 13z" fill="#0a7d4d" />
      <path d="M24 5c4 0 6 3 6 7-3 0-6-2-6-7z" fill="#f2b21b" />
      <circle cx="20.5" cy="9.5" r="1.7" fill="#14231e" />
    </svg>
  )
}
