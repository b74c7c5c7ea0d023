import { runCommand } from './program'
import { mindStandardStreams } from './write-out'

mindStandardStreams()

process.exitCode = await runCommand(process.argv)
