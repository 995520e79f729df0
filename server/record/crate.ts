import type { BatchFile } from '#core/document'
import type { RecordPage } from '#core/record'
import type { OutFile } from './tables'
import type { Proof } from './batch-file'

/** A file that the crate describes, with its size and hash. */
export type Described = Omit<OutFile, 'data'> & { readonly size?: number; readonly sha256?: string }

type Entity = Readonly<Record<string, unknown>> & { readonly '@id': string }
const ref = (id: string) => ({ '@id': id })

/**
 * The description of a batch's files as RO-Crate 1.1 (JSON-LD): the files, who made what of which when (PROV-O terms beside schema.org's), in what order.
 */
export function crateOf(
  file: BatchFile,
  proof: Proof,
  page: RecordPage,
  files: readonly Described[],
  at: string,
): object {
  return {
    '@context': [
      'https://w3id.org/ro/crate/1.1/context',
      { prov: 'http://www.w3.org/ns/prov#', sha256: 'https://w3id.org/ro/terms/workflow-run#sha256' },
    ],
    '@graph': [
      {
        '@id': 'ro-crate-metadata.json',
        '@type': 'CreativeWork',
        conformsTo: ref('https://w3id.org/ro/crate/1.1'),
        about: ref('./'),
      },
      ...entitiesOf(file, proof, page, files, at),
    ],
  }
}

function entitiesOf(
  file: BatchFile,
  proof: Proof,
  page: RecordPage,
  files: readonly Described[],
  at: string,
): Entity[] {
  const people = file.people.map(({ id, name }): Entity => ({
    '@id': `#person-${id}`,
    '@type': ['Person', 'prov:Agent'],
    name,
    affiliation: ref('#lab'),
  }))
  const agents = people.map(one => ref(one['@id']))
  const last = file.document.plan.stages.at(-1)
  const product = last?.product.form ?? last?.product.species ?? ''
  return [
    {
      '@id': './',
      '@type': ['Dataset', 'prov:Entity'],
      name: `${file.code}: ${file.document.title.replace(/[{}]/g, '')}`,
      description: `The preparation of ${product} as it was planned, done, followed and judged: plan, journal, tables, pictures and record.`,
      identifier: file.id,
      datePublished: at,
      license: ref('#licence'),
      author: agents,
      hasPart: files.map(({ path }) => ref(path)),
      mentions: [ref('#preparation')],
      'prov:wasGeneratedBy': ref('#preparation'),
      'prov:wasAttributedTo': agents,
    },
    {
      '@id': '#licence',
      '@type': 'CreativeWork',
      name: 'No licence is given',
      description: 'This file gives nobody a licence. Ask the lab that it was taken out of.',
    },
    { '@id': '#lab', '@type': ['Organization', 'prov:Agent'], name: proof.lab.name },
    ...people,
    {
      '@id': '#preparation',
      '@type': ['CreateAction', 'prov:Activity'],
      name: `Preparation of ${product}`,
      agent: agents,
      ...(page.begun !== undefined && { startTime: page.begun, 'prov:startedAtTime': page.begun }),
      ...(page.ended !== undefined && { endTime: page.ended, 'prov:endedAtTime': page.ended }),
      result: ref('#product'),
      'prov:wasAssociatedWith': agents,
      'prov:used': file.document.plan.stages.flatMap(({ id, reagents }) =>
        reagents.map((_, i) => ref(`#reagent-${id}-${i + 1}`)),
      ),
    },
    ...file.document.plan.stages.flatMap(({ id, reagents }) =>
      reagents.map(({ species, supply }, i): Entity => ({
        '@id': `#reagent-${id}-${i + 1}`,
        '@type': ['Thing', 'prov:Entity'],
        name: species,
        ...('lot' in supply && supply.lot !== undefined && { identifier: supply.lot }),
      })),
    ),
    { '@id': '#product', '@type': ['Thing', 'prov:Entity'], name: product, 'prov:wasGeneratedBy': ref('#preparation') },
    ...proof.acts.map((act): Entity => ({
      '@id': `#act-${act.number}`,
      '@type': ['Action', 'prov:Activity'],
      name: act.kind,
      agent: ref(`#signer-${act.by}`),
      endTime: act.at,
      object: ref('./'),
      ...(act.meaning !== undefined && { description: act.meaning }),
    })),
    ...[...new Map(proof.acts.map(({ by, name }) => [by, name]))].map(([by, name]): Entity => ({
      '@id': `#signer-${by}`,
      '@type': ['Person', 'prov:Agent'],
      name,
    })),
    ...files.map(({ path, type, title, size, sha256 }): Entity => ({
      '@id': path,
      '@type': ['File', 'prov:Entity'],
      name: title,
      encodingFormat: type,
      ...(size !== undefined && { contentSize: String(size) }),
      ...(sha256 !== undefined && { sha256 }),
      'prov:wasGeneratedBy': ref('#preparation'),
    })),
  ]
}
