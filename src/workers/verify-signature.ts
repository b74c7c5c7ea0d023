import { pkcs8Of, type SignOffFile, signedBytes, spkiOf, sshLineOf, type Verify } from '@/core/document'
import { base64Of, bytesOfBase64 } from '@/core/text'

const ED25519 = { name: 'Ed25519' }

const asBuffer = (bytes: Uint8Array) => bytes as Uint8Array<ArrayBuffer>

/** Is an Ed25519 signature right, by Web Crypto? One that can't be looked at is not. */
export const verifySignature: Verify = async (key, signature, bytes) => {
  const imported = await crypto.subtle.importKey('spki', asBuffer(spkiOf(key)), ED25519, false, ['verify'])
  return crypto.subtle.verify(ED25519, imported, asBuffer(signature), asBuffer(bytes))
}

/** A sign-off with a signature of all that it says. @param seed the 32 bytes of an Ed25519 private key */
export async function signedWithKey(signOff: SignOffFile, seed: Uint8Array): Promise<SignOffFile> {
  const key = await crypto.subtle.importKey('pkcs8', asBuffer(pkcs8Of(seed)), ED25519, true, ['sign'])
  const { x } = await crypto.subtle.exportKey('jwk', key)
  const own = bytesOfBase64(x!.replaceAll('-', '+').replaceAll('_', '/'))!
  const value = new Uint8Array(await crypto.subtle.sign(ED25519, key, asBuffer(signedBytes(signOff))))
  return { ...signOff, signature: { key: sshLineOf(own), value: base64Of(value) } }
}
