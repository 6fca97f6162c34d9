/** What is told and done with the customer at the end, besides showing what was fitted. Common practice, no source. */
export const CUSTOMER_POINTS = [
  /** They used it themselves, and asked what they wanted to ask. */
  'taught',
  /** Their own telephone was paired by them. */
  'paired by the customer',
  /** No telephone, card, stick or account of the shop's is left in it. */
  'nothing of ours left',
  /** How it was left set, and how they change it. */
  'as left explained',
  /** What is lost and what is left for later was told. */
  'told what is missing',
  /** Old parts, leftover parts and papers are theirs. */
  'papers given',
] as const
export type CustomerPoint = (typeof CUSTOMER_POINTS)[number]
