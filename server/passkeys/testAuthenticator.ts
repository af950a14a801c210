import { createHash, createSign, generateKeyPairSync, randomBytes } from 'node:crypto'

/**
 * A small authenticator for tests: makes a passkey and signs with it, as a telephone does.
 * Source: W3C, "Web Authentication: Level 3", 6.1 (authenticator data), 6.5 (attestation, "none"); RFC 8949 (CBOR); RFC 9053 (COSE, ES256).
 */
export function testAuthenticator() {
  const id = randomBytes(32)
  const { privateKey, publicKey } = generateKeyPairSync('ec', { namedCurve: 'P-256' })
  const { x, y } = publicKey.export({ format: 'jwk' }) as { x: string; y: string }
  const raw = (text: string) => Buffer.from(text, 'base64url')
  let counter = 0

  /** what is asked of it, and how it may differ from what is right */
  interface Asked {
    challenge: string
    origin?: string
    party?: string
    type?: string
    /** a finger, a face or a PIN */
    verified?: boolean
    counter?: number
  }
  const clientData = ({ challenge, origin = 'http://localhost:5280' }: Asked, type: string) =>
    Buffer.from(JSON.stringify({ type, challenge, origin, crossOrigin: false }))
  const flags = (verified: boolean, attested: boolean) => 0x01 | (verified ? 0x04 : 0) | (attested ? 0x40 : 0)
  const data = ({ party = 'localhost', verified = true, counter: count = ++counter }: Asked, attested = Buffer.alloc(0)) => {
    const number = Buffer.alloc(4)
    number.writeUInt32BE(count)
    return Buffer.concat([createHash('sha256').update(party).digest(), Buffer.from([flags(verified, attested.length > 0)]), number, attested])
  }
  const around = { id: id.toString('base64url'), rawId: id.toString('base64url'), type: 'public-key' as const }

  return {
    id: around.id,
    make(asked: Asked) {
      // a map of five: key type EC2, ES256, P-256, x, y
      const key = Buffer.concat([Buffer.from([0xa5, 0x01, 0x02, 0x03, 0x26, 0x20, 0x01, 0x21, 0x58, 0x20]), raw(x), Buffer.from([0x22, 0x58, 0x20]), raw(y)])
      const attested = Buffer.concat([Buffer.alloc(16), Buffer.from([0, id.length]), id, key])
      const authData = data({ ...asked, counter: 0 }, attested)
      const text = (word: string) => Buffer.concat([Buffer.from([0x60 + word.length]), Buffer.from(word)])
      const object = Buffer.concat([
        Buffer.from([0xa3]),
        ...[text('fmt'), text('none'), text('attStmt'), Buffer.from([0xa0]), text('authData'), Buffer.from([0x58, authData.length]), authData],
      ])
      return {
        ...around,
        response: {
          clientDataJSON: clientData(asked, asked.type ?? 'webauthn.create').toString('base64url'),
          attestationObject: object.toString('base64url'),
          transports: ['internal'],
        },
      }
    },
    use(asked: Asked) {
      const client = clientData(asked, asked.type ?? 'webauthn.get')
      const authData = data(asked)
      const signature = createSign('sha256')
        .update(Buffer.concat([authData, createHash('sha256').update(client).digest()]))
        .sign(privateKey)
      return {
        ...around,
        response: {
          clientDataJSON: client.toString('base64url'),
          authenticatorData: authData.toString('base64url'),
          signature: signature.toString('base64url'),
        },
      }
    },
  }
}
