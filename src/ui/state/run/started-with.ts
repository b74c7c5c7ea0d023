'use client'

import { createContext, useContext } from 'react'
import type { StartedWith } from '@/core/crawl'

/** What the server that this page came from was started with; null for nothing. */
export const StartedWithContext = createContext<StartedWith | null>(null)

export const useStartedWith = () => useContext(StartedWithContext)
