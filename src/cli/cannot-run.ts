/** The command can't do what was asked. The message is one line: what, where, what to try. */
export class CannotRun extends Error {}
