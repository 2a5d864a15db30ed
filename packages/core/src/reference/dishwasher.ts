import type { Source } from './source'

/** How a dishwasher's drain is kept from drawing back, by the published model code. */
export const DISHWASHER_DRAINS: Readonly<
  Record<'IPC' | 'UPC' | 'EN', { readonly by: 'gap' | 'loop'; readonly source: Source }>
> = {
  IPC: {
    by: 'loop',
    source: {
      title: 'IPC 802.1.6: raised and fastened under the counter, or an air gap',
      certainty: 'recalled',
    },
  },
  UPC: {
    by: 'gap',
    source: { title: 'UPC 807.3: an air gap fitting over the flood rim', certainty: 'recalled' },
  },
  EN: { by: 'loop', source: { title: 'The machine’s own sheet', certainty: "maker's sheet" } },
}
