import { config } from 'zod'

// The page's policy lets no text become code: schemas are not compiled here, nor is it tried whether they could be.
config({ jitless: true })
