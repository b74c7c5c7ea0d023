import { base64Of, bytesOfBase64 } from '../text'
import type { SignOffFile } from './sign-off-file'

/** Somebody whose signature counts, with their public key: the 32 bytes of Ed25519 (RFC 8032). */
export type Signer = { name: string; key: Uint8Array }

/** Is a signature of a key over some bytes right? */
export type Verify = (key: Uint8Array, signature: Uint8Array, bytes: Uint8Array) => Promise<boolean>

/**
 * What is known of who signed. `unsigned`: the name is a claim of the file. `broken`: the signature is not of what the
 * file says. `stranger`: it is right, and nobody that counts has that key. `signer`: it is theirs.
 */
export type SignatureState =
  | { kind: 'unsigned' }
  | { kind: 'broken' }
  | { kind: 'stranger'; key: string }
  | { kind: 'signer'; name: string; key: string }

const KEY_TYPE = 'ssh-ed25519'
/** A public key in a line of SSH. */
const SSH_KEY = /(?:^|\s)ssh-ed25519\s+([A-Za-z0-9+/=]{1,200})(?:\s|$)/
const KEY_BYTES = 32
const SIGNATURE_BYTES = 64

/** ASN.1 before the 32 bytes of a key: PKCS #8 of a private, SubjectPublicKeyInfo of a public one (RFC 8410). */
const PKCS8 = [0x30, 0x2e, 0x02, 0x01, 0x00, 0x30, 0x05, 0x06, 0x03, 0x2b, 0x65, 0x70, 0x04, 0x22, 0x04, 0x20] as const
const SPKI = [0x30, 0x2a, 0x30, 0x05, 0x06, 0x03, 0x2b, 0x65, 0x70, 0x03, 0x21, 0x00] as const

/** A private key as PKCS #8, as crypto of Node and of browsers takes it. @param seed 32 bytes */
export const pkcs8Of = (seed: Uint8Array): Uint8Array => Uint8Array.from([...PKCS8, ...seed])

/** A public key as SubjectPublicKeyInfo. @param key 32 bytes */
export const spkiOf = (key: Uint8Array): Uint8Array => Uint8Array.from([...SPKI, ...key])

/** The 32 bytes after a prefix that an encoding of a key begins with; null where it begins otherwise. */
function after(prefix: readonly number[], bytes: Uint8Array | null): Uint8Array | null {
  if (bytes?.length !== prefix.length + KEY_BYTES || prefix.some((byte, index) => bytes[index] !== byte)) return null
  return bytes.slice(prefix.length)
}

/** What stands between the lines of a PEM block of a name. */
const pemBlock = (text: string, name: string): Uint8Array | null => {
  const [begin, end] = [`-----BEGIN ${name}-----`, `-----END ${name}-----`]
  const from = text.indexOf(begin)
  const to = text.indexOf(end, from)
  return from < 0 || to < 0 ? null : bytesOfBase64(text.slice(from + begin.length, to))
}

/** Takes strings with their length before them, as keys of SSH are made of (RFC 4251, 5). */
class SshFields {
  private at = 0
  constructor(private readonly bytes: Uint8Array) {}

  /** Goes past bytes that say nothing here. */
  advance(count: number): void {
    this.at += count
  }

  /** The next string; null where the bytes end before it does. */
  next(): Uint8Array | null {
    const { bytes, at } = this
    if (at + 4 > bytes.length) return null
    const length = new DataView(bytes.buffer, bytes.byteOffset).getUint32(at)
    if (length > bytes.length - at - 4) return null
    this.at = at + 4 + length
    return bytes.subarray(at + 4, this.at)
  }
}

const asText = (bytes: Uint8Array | null) => (bytes === null ? null : new TextDecoder().decode(bytes))

function keyOfSshBlob(blob: Uint8Array | null): Uint8Array | null {
  if (blob === null) return null
  const fields = new SshFields(blob)
  if (asText(fields.next()) !== KEY_TYPE) return null
  const key = fields.next()
  return key?.length === KEY_BYTES ? key.slice() : null
}

/** A public key as a line of SSH. @param key 32 bytes */
export function sshLineOf(key: Uint8Array): string {
  const sized = (bytes: Uint8Array) => [0, 0, 0, bytes.length, ...bytes]
  const blob = [...sized(new TextEncoder().encode(KEY_TYPE)), ...sized(key)]
  return `${KEY_TYPE} ${base64Of(Uint8Array.from(blob))}`
}

/** The public key that a line of SSH or a PEM block holds; null where it holds none of Ed25519. */
export function publicKeyIn(text: string): Uint8Array | null {
  const pem = after(SPKI, pemBlock(text, 'PUBLIC KEY'))
  if (pem) return pem
  const blob = SSH_KEY.exec(text)?.[1]
  return blob === undefined ? null : keyOfSshBlob(bytesOfBase64(blob))
}

type SeedReading = { ok: true; seed: Uint8Array } | { ok: false; fault: string }

/**
 * The 32 bytes of a private key of Ed25519 in a file: PEM (PKCS #8), or OpenSSH's own form (its PROTOCOL.key) without a
 * passphrase.
 */
export function readPrivateKey(text: string): SeedReading {
  const pem = after(PKCS8, pemBlock(text, 'PRIVATE KEY'))
  if (pem) return { ok: true, seed: pem }
  const bytes = pemBlock(text, 'OPENSSH PRIVATE KEY')
  const unfit = (fault: string) => ({ ok: false as const, fault })
  const magic = 'openssh-key-v1\0'
  if (bytes === null || asText(bytes.subarray(0, magic.length)) !== magic)
    return unfit('It is not an Ed25519 private key (PEM, or made by ssh-keygen -t ed25519).')
  const fields = new SshFields(bytes)
  fields.advance(magic.length)
  const cipher = asText(fields.next())
  if (cipher !== 'none') return unfit('It has a passphrase. Use a key without one (ssh-keygen -p removes it).')
  fields.next()
  fields.next()
  fields.advance(4)
  fields.next()
  const own = fields.next()
  const parts = own && new SshFields(own)
  parts?.advance(8)
  if (!parts || asText(parts.next()) !== KEY_TYPE)
    return unfit('It is of another type: ssh-keygen -t ed25519 makes one that fits.')
  parts.next()
  const both = parts.next()
  return both?.length === KEY_BYTES * 2 ? { ok: true, seed: both.slice(0, KEY_BYTES) } : unfit('It is broken off.')
}

/**
 * Who counts: a line each, the name (in quotes where it has blanks; several with commas), then the public key, as in
 * OpenSSH's file of allowed signers (ssh-keygen(1)). Lines that begin with `#` are comments.
 */
export function readSigners(text: string): { ok: true; signers: Signer[] } | { ok: false; fault: string } {
  const signers: Signer[] = []
  for (const [index, line] of text.split(/\r\n|\n|\r/).entries()) {
    const said = line.trim()
    if (said === '' || said.startsWith('#')) continue
    const names = /^(?:"([^"]*)"|(\S+))\s/.exec(said)
    const key = names && publicKeyIn(said.slice(names[0].length - 1))
    if (!names || !key)
      return { ok: false, fault: `Line ${index + 1} needs a name and a public key: "Ada Miller" ssh-ed25519 AAAA…` }
    const own = names[1] === undefined ? names[2]!.split(',') : [names[1]]
    for (const name of own) signers.push({ name, key })
  }
  return signers.length > 0 ? { ok: true, signers } : { ok: false, fault: 'It names nobody.' }
}

/** JSON with the keys of every object in order, so that the same content is the same text (as RFC 8785 has it). */
function canonical(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonical).join(',')}]`
  if (typeof value !== 'object' || value === null) return JSON.stringify(value)
  const entries = Object.entries(value).filter(([, own]) => own !== undefined)
  entries.sort(([a], [b]) => (a < b ? -1 : 1))
  return `{${entries.map(([key, own]) => `${JSON.stringify(key)}:${canonical(own)}`).join(',')}}`
}

/** The bytes that a signature of a sign-off is of: all of it but the signature. */
export function signedBytes({ signature: _signature, ...content }: SignOffFile): Uint8Array {
  return new TextEncoder().encode(canonical(content))
}

/**
 * Holds the signature of a sign-off against its content, and against who counts.
 *
 * @param signers who counts; null: nobody was named, and a right signature is a stranger's
 */
export async function signatureState(
  signOff: SignOffFile,
  signers: readonly Signer[] | null,
  verify: Verify,
): Promise<SignatureState> {
  const { signature, by } = signOff
  if (signature === undefined) return { kind: 'unsigned' }
  const key = publicKeyIn(signature.key)
  const value = bytesOfBase64(signature.value)
  if (!key || value?.length !== SIGNATURE_BYTES) return { kind: 'broken' }
  if (!(await verify(key, value, signedBytes(signOff)).catch(() => false))) return { kind: 'broken' }
  const line = sshLineOf(key)
  const own = signers?.filter((one) => sshLineOf(one.key) === line) ?? []
  const named = own.find(({ name }) => name.toLowerCase() === by.trim().toLowerCase())
  return named ? { kind: 'signer', name: named.name, key: line } : { kind: 'stranger', key: line }
}
