import { constants, createHash, randomBytes, verify, X509Certificate, type KeyObject } from 'node:crypto'
import { Integer, OctetString, type ObjectIdentifier, type Sequence } from 'asn1js'
import {
  AlgorithmIdentifier,
  Certificate,
  ContentInfo,
  MessageImprint,
  PKIStatus,
  SignedData,
  TimeStampReq,
  TimeStampResp,
  TSTInfo,
  type SignerInfo,
} from 'pkijs'

/** Names of algorithms, attributes and purposes in a time stamp (RFC 3161, 5652, 5816). */
export const OID = {
  sha256: '2.16.840.1.101.3.4.2.1',
  stampInfo: '1.2.840.113549.1.9.16.1.4',
  contentType: '1.2.840.113549.1.9.3',
  messageDigest: '1.2.840.113549.1.9.4',
  signingCertificate: '1.2.840.113549.1.9.16.2.12',
  signingCertificateV2: '1.2.840.113549.1.9.16.2.47',
  timeStamping: '1.3.6.1.5.5.7.3.8',
  rsaPss: '1.2.840.113549.1.1.10',
} as const
const digests: Readonly<Record<string, string>> = {
  [OID.sha256]: 'sha256',
  '2.16.840.1.101.3.4.2.2': 'sha384',
  '2.16.840.1.101.3.4.2.3': 'sha512',
}

/** What a time stamp says: when, by whose certificate, and whether somebody named vouches for that. */
export interface Stamp {
  readonly at: string
  readonly by: string
  /** SHA-256 of the certificate. */
  readonly certificate: string
  readonly isVouched: boolean
}
export type StampChecked = { readonly ok: true; readonly stamp: Stamp } | { readonly ok: false; readonly why: string }

const exact = (data: Uint8Array): ArrayBuffer => new Uint8Array(data).buffer
const hashed = (name: string, data: Uint8Array): Buffer => createHash(name).update(data).digest()

/** A question for an authority's stamp on a SHA-256 (RFC 3161, 2.4.1), with a number that its answer must repeat. */
export function stampQuery(digest: Uint8Array): { readonly query: Uint8Array; readonly nonce: string } {
  const nonce = randomBytes(8)
  // An INTEGER that stays positive.
  nonce[0]! &= 0x7f
  nonce[0]! |= 0x40
  const query = new TimeStampReq({
    version: 1,
    messageImprint: new MessageImprint({
      hashAlgorithm: new AlgorithmIdentifier({ algorithmId: OID.sha256 }),
      hashedMessage: new OctetString({ valueHex: exact(digest) }),
    }),
    nonce: new Integer({ valueHex: exact(nonce) }),
    certReq: true,
  })
  return { query: new Uint8Array(query.toSchema().toBER()), nonce: nonce.toString('hex') }
}

/** The token in an authority's answer; refuses one that was not granted, that does not read, or that answers another question. */
export function tokenIn(answer: Uint8Array, nonce: string): Uint8Array {
  const response = TimeStampResp.fromBER(exact(answer))
  const { status, statusStrings } = response.status
  if (status !== PKIStatus.granted && status !== PKIStatus.grantedWithMods)
    throw new Error(`The authority refused: ${statusStrings?.map(one => one.valueBlock.value).join(' ') ?? status}`)
  if (!response.timeStampToken) throw new Error('The answer has no stamp in it.')
  const token = new Uint8Array(response.timeStampToken.toSchema().toBER())
  const { info } = contentOf(token)
  if (!info.nonce || Buffer.from(info.nonce.valueBlock.valueHexView).toString('hex') !== nonce)
    throw new Error('The answer is to another question.')
  return token
}

interface Content {
  readonly signed: SignedData
  readonly bytes: Uint8Array
  readonly info: TSTInfo
}
function contentOf(token: Uint8Array): Content {
  const content = ContentInfo.fromBER(exact(token))
  const signed = new SignedData({ schema: content.content })
  const { eContentType, eContent } = signed.encapContentInfo
  if (eContentType !== OID.stampInfo || !eContent) throw new Error('It is no time stamp.')
  const bytes = new Uint8Array(eContent.getValue())
  return { signed, bytes, info: TSTInfo.fromBER(exact(bytes)) }
}

/**
 * Proves a time stamp offline (RFC 3161, 2.3; CMS by RFC 5652, 5.4): that it is of this SHA-256, that its certificate signed it and may, and held at that time. `authorities` are
 * certificates (PEM) of whoever is trusted to stamp or to say who may; without them it says by whom it is, and that nobody vouched.
 */
export function checkStamp(token: Uint8Array, digest: Uint8Array, authorities: readonly string[] = []): StampChecked {
  try {
    const { signed, bytes, info } = contentOf(token)
    const { hashAlgorithm, hashedMessage } = info.messageImprint
    if (hashAlgorithm.algorithmId !== OID.sha256 || !Buffer.from(hashedMessage.getValue()).equals(digest))
      return { ok: false, why: 'the stamp is of something else' }
    const [signer] = signed.signerInfos
    const certificates = certificatesIn(signed)
    const certificate = signer && certificates.find(one => isOf(signer, one))
    if (!signer || !certificate) return { ok: false, why: 'the stamp does not say by which certificate it is' }
    const why = whyUnsigned(signer, certificate, bytes) ?? whyNotAllowed(certificate, info.genTime)
    if (why !== undefined) return { ok: false, why }
    const isVouched = isVouchedFor(certificate, certificates, authorities, info.genTime)
    if (authorities.length > 0 && !isVouched)
      return { ok: false, why: 'the stamp is by a certificate for which none of those given vouches' }
    return {
      ok: true,
      stamp: {
        at: info.genTime.toISOString(),
        by: nameOf(certificate),
        certificate: hashed('sha256', certificate.raw).toString('hex'),
        isVouched,
      },
    }
  } catch {
    return { ok: false, why: 'the stamp cannot be read' }
  }
}

const certificatesIn = ({ certificates = [] }: SignedData): X509Certificate[] =>
  certificates.flatMap(one =>
    one instanceof Certificate ? [new X509Certificate(Buffer.from(one.toSchema(true).toBER()))] : [],
  )

const attribute = ({ signedAttrs }: SignerInfo, type: string): unknown =>
  signedAttrs?.attributes.find(one => one.type === type)?.values[0]

/** The certificate that a stamp names is told by its hash in the signed part (RFC 3161, 2.4.2; RFC 5816). */
function isOf(signer: SignerInfo, certificate: X509Certificate): boolean {
  const named = attribute(signer, OID.signingCertificateV2) ?? attribute(signer, OID.signingCertificate)
  if (!named) return false
  const [list] = (named as Sequence).valueBlock.value as Sequence[]
  const [first] = (list?.valueBlock.value ?? []) as Sequence[]
  const parts = first?.valueBlock.value ?? []
  const hash = parts.find(part => part instanceof OctetString)
  const isOld = attribute(signer, OID.signingCertificateV2) === undefined
  const [algorithm] = parts
  const told =
    algorithm && !(algorithm instanceof OctetString)
      ? new AlgorithmIdentifier({ schema: algorithm }).algorithmId
      : OID.sha256
  const name = isOld ? 'sha1' : digests[told]
  return hash !== undefined && name !== undefined && hashed(name, certificate.raw).equals(Buffer.from(hash.getValue()))
}

function whyUnsigned(signer: SignerInfo, certificate: X509Certificate, bytes: Uint8Array): string | undefined {
  const name = digests[signer.digestAlgorithm.algorithmId]
  if (name === undefined || !signer.signedAttrs) return 'the stamp is signed in a way that is not known here'
  const type = attribute(signer, OID.contentType) as ObjectIdentifier | undefined
  const digest = attribute(signer, OID.messageDigest) as OctetString | undefined
  if (type?.valueBlock.toString() !== OID.stampInfo || !digest) return 'the stamp is no signature of a time'
  if (!hashed(name, bytes).equals(Buffer.from(digest.getValue()))) return 'the stamp was altered'
  const text = Buffer.from(signer.signedAttrs.encodedValue)
  const signature = Buffer.from(signer.signature.getValue())
  return isSigned(certificate.publicKey, name, signer.signatureAlgorithm.algorithmId, text, signature)
    ? undefined
    : 'the stamp was altered: its signature does not fit it'
}

function isSigned(key: KeyObject, name: string, way: string, text: Buffer, signature: Buffer): boolean {
  if (key.asymmetricKeyType === 'ed25519') return verify(null, text, key, signature)
  if (way !== OID.rsaPss) return verify(name, text, key, signature)
  const { RSA_PKCS1_PSS_PADDING: padding, RSA_PSS_SALTLEN_AUTO: saltLength } = constants
  return verify(name, text, { key, padding, saltLength }, signature)
}

const holdsAt = ({ validFrom, validTo }: X509Certificate, at: Date): boolean =>
  new Date(validFrom) <= at && at <= new Date(validTo)

function whyNotAllowed(certificate: X509Certificate, at: Date): string | undefined {
  // Node.js tells the extended purposes under this name.
  if (!(certificate.keyUsage as readonly string[] | undefined)?.includes(OID.timeStamping))
    return 'the stamp is by a certificate that may not stamp times'
  return holdsAt(certificate, at) ? undefined : 'the stamp is by a certificate that did not hold at that time'
}

/** A certificate that was given, or one issued by it, over whatever stands between in the stamp. */
function isVouchedFor(
  certificate: X509Certificate,
  between: readonly X509Certificate[],
  authorities: readonly string[],
  at: Date,
): boolean {
  const trusted = authorities.map(pem => new X509Certificate(pem))
  const isIssuedBy = (one: X509Certificate, by: X509Certificate): boolean =>
    by.ca && holdsAt(by, at) && one.checkIssued(by) && one.verify(by.publicKey)
  let current: X509Certificate | undefined = certificate
  for (let steps = 0; current && steps <= between.length; steps += 1) {
    const one: X509Certificate = current
    if (trusted.some(by => by.fingerprint256 === one.fingerprint256 || isIssuedBy(one, by))) return true
    current = between.find(by => by.fingerprint256 !== one.fingerprint256 && isIssuedBy(one, by))
  }
  return false
}

const nameOf = ({ subject }: X509Certificate): string =>
  /^CN=(.*)$/m.exec(subject)?.[1] ?? subject.replaceAll('\n', ', ')
