// The thread's own file where nothing was built: it is TypeScript there.
import { register } from 'tsx/esm/api'

register()
const { default: judge } = await import('./judge-thread.ts')

export default judge
