import { createPrivateKey, createPublicKey, sign, verify } from 'node:crypto'
import { pkcs8Of, type SignOffFile, signedBytes, spkiOf, sshLineOf, type Verify } from '@/core/document'
import { base64Of } from '@/core/text'

/** Is an Ed25519 signature right? */
export const verifySignature: Verify = async (key, signature, bytes) =>
  verify(null, bytes, createPublicKey({ key: Buffer.from(spkiOf(key)), format: 'der', type: 'spki' }), signature)

/** Bytes before the 32 of a public key in its SubjectPublicKeyInfo. */
const SPKI_HEAD = 12

/** A sign-off with a signature of all that it says. @param seed the 32 bytes of an Ed25519 private key */
export function signedWithKey(signOff: SignOffFile, seed: Uint8Array): SignOffFile {
  const key = createPrivateKey({ key: Buffer.from(pkcs8Of(seed)), format: 'der', type: 'pkcs8' })
  const spki = createPublicKey(key).export({ format: 'der', type: 'spki' })
  const own = new Uint8Array(spki.subarray(SPKI_HEAD))
  return { ...signOff, signature: { key: sshLineOf(own), value: base64Of(sign(null, signedBytes(signOff), key)) } }
}
