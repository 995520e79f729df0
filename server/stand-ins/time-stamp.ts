import { createHash, randomBytes, webcrypto } from 'node:crypto'
import { Integer, ObjectIdentifier, OctetString, Sequence, Utf8String } from 'asn1js'
import {
  Attribute,
  AttributeTypeAndValue,
  BasicConstraints,
  Certificate,
  ContentInfo,
  EncapsulatedContentInfo,
  Extension,
  ExtKeyUsage,
  IssuerAndSerialNumber,
  PKIStatus,
  PKIStatusInfo,
  SignedAndUnsignedAttributes,
  SignedData,
  SignerInfo,
  TimeStampReq,
  TimeStampResp,
  TSTInfo,
} from 'pkijs'
import { OID } from '../record/stamp'

/** A stand-in for a time-stamp authority: it stamps what it is asked to by this machine's clock, and nobody vouches for it. */
export interface StandInAuthority {
  /** PEM. */
  readonly certificate: string
  readonly privateKey: string
}
const EC = { name: 'ECDSA', namedCurve: 'P-256' } as const
/** An arc for examples that nobody uses: there is no policy of a stand-in. */
const NO_POLICY = '2.999.1'
const YEARS = 20

const exact = (data: Uint8Array): ArrayBuffer => new Uint8Array(data).buffer
const pem = (label: string, der: ArrayBuffer): string =>
  `-----BEGIN ${label}-----\n${Buffer.from(der)
    .toString('base64')
    .match(/.{1,64}/g)!
    .join('\n')}\n-----END ${label}-----\n`
const derOf = (text: string): ArrayBuffer => exact(Buffer.from(text.replaceAll(/-----[^-]+-----|\s/g, ''), 'base64'))

/** Makes a key and a certificate of its own for it, whose only purpose is to stamp times. */
export async function makeStandIn(now: Date): Promise<StandInAuthority> {
  const keys = await webcrypto.subtle.generateKey(EC, true, ['sign', 'verify'])
  const certificate = new Certificate()
  certificate.version = 2
  const serial = randomBytes(12)
  serial[0]! = 0x51
  certificate.serialNumber = new Integer({ valueHex: exact(serial) })
  const name = [
    new AttributeTypeAndValue({
      type: '2.5.4.3',
      value: new Utf8String({ value: 'Stand-in for a time-stamp authority' }),
    }),
  ]
  certificate.issuer.typesAndValues = name
  certificate.subject.typesAndValues = name
  certificate.notBefore.value = new Date(now.getTime() - 86_400_000)
  certificate.notAfter.value = new Date(now)
  certificate.notAfter.value.setUTCFullYear(now.getUTCFullYear() + YEARS)
  certificate.extensions = [
    extension('2.5.29.19', new BasicConstraints({ cA: false }).toSchema().toBER()),
    extension('2.5.29.37', new ExtKeyUsage({ keyPurposes: [OID.timeStamping] }).toSchema().toBER()),
  ]
  await certificate.subjectPublicKeyInfo.importKey(keys.publicKey as CryptoKey)
  await certificate.sign(keys.privateKey as CryptoKey, 'SHA-256')
  return {
    certificate: pem('CERTIFICATE', certificate.toSchema(true).toBER()),
    privateKey: pem('PRIVATE KEY', await webcrypto.subtle.exportKey('pkcs8', keys.privateKey)),
  }
}
const extension = (extnID: string, extnValue: ArrayBuffer): Extension =>
  new Extension({ extnID, critical: true, extnValue })

/** Answers a question for a stamp (RFC 3161, 2.4.2): granted with the time that it is now, or refused where it does not read or names a hash other than SHA-256. */
export async function answerStamp(authority: StandInAuthority, query: Uint8Array, now: Date): Promise<Uint8Array> {
  let asked: TimeStampReq
  try {
    asked = TimeStampReq.fromBER(exact(query))
  } catch {
    return refused('This is no question for a time stamp.')
  }
  if (asked.messageImprint.hashAlgorithm.algorithmId !== OID.sha256) return refused('Only SHA-256 is stamped here.')
  const token = await tokenFor(authority, asked, now)
  return response(
    new TimeStampResp({ status: new PKIStatusInfo({ status: PKIStatus.granted }), timeStampToken: token }),
  )
}
const response = (one: TimeStampResp): Uint8Array => new Uint8Array(one.toSchema().toBER())
const refused = (why: string): Uint8Array =>
  response(
    new TimeStampResp({
      status: new PKIStatusInfo({ status: PKIStatus.rejection, statusStrings: [new Utf8String({ value: why })] }),
    }),
  )

async function tokenFor(authority: StandInAuthority, asked: TimeStampReq, now: Date): Promise<ContentInfo> {
  const certificate = Certificate.fromBER(derOf(authority.certificate))
  const key = await webcrypto.subtle.importKey('pkcs8', derOf(authority.privateKey), EC, false, ['sign'])
  const serial = randomBytes(8)
  serial[0]! = 0x51
  const info = new TSTInfo({
    version: 1,
    policy: NO_POLICY,
    messageImprint: asked.messageImprint,
    serialNumber: new Integer({ valueHex: exact(serial) }),
    genTime: now,
    ...(asked.nonce && { nonce: asked.nonce }),
  })
  const bytes = info.toSchema().toBER()
  const signed = new SignedData({
    version: 3,
    encapContentInfo: new EncapsulatedContentInfo({
      eContentType: OID.stampInfo,
      eContent: new OctetString({ valueHex: bytes }),
    }),
    signerInfos: [
      new SignerInfo({
        version: 1,
        sid: new IssuerAndSerialNumber({ issuer: certificate.issuer, serialNumber: certificate.serialNumber }),
        signedAttrs: new SignedAndUnsignedAttributes({
          type: 0,
          attributes: [
            new Attribute({ type: OID.contentType, values: [new ObjectIdentifier({ value: OID.stampInfo })] }),
            new Attribute({ type: OID.messageDigest, values: [new OctetString({ valueHex: sha256(bytes) })] }),
            new Attribute({ type: OID.signingCertificateV2, values: [namedBy(derOf(authority.certificate))] }),
          ],
        }),
      }),
    ],
    certificates: [certificate],
  })
  await signed.sign(key as CryptoKey, 0, 'SHA-256')
  return new ContentInfo({ contentType: ContentInfo.SIGNED_DATA, content: signed.toSchema(true) })
}
const sha256 = (data: ArrayBuffer): ArrayBuffer => exact(createHash('sha256').update(new Uint8Array(data)).digest())

/** SigningCertificateV2 (RFC 5816): the certificate by its SHA-256, which is what is meant where no algorithm is named. */
const namedBy = (certificate: ArrayBuffer): Sequence =>
  new Sequence({
    value: [new Sequence({ value: [new Sequence({ value: [new OctetString({ valueHex: sha256(certificate) })] })] })],
  })
