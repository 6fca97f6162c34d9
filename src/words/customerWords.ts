import type { CustomerPoint } from '@/core/job/customerPoints'

/** What is told and done with the customer, as whoever shows it ticks it. */
export const POINT_WORDS: Readonly<Record<CustomerPoint, { ask: string; said: string }>> = {
  taught: { ask: 'They used it themselves and have asked what they wanted to', said: 'used it themselves' },
  'paired by the customer': {
    ask: 'Their own telephone, if any, was paired by them',
    said: 'paired their own telephone',
  },
  'nothing of ours left': {
    ask: 'No telephone, card, stick or account of ours is left in it',
    said: 'nothing of the shop’s is left in it',
  },
  'as left explained': {
    ask: 'How it was left set, and how they change it, was explained',
    said: 'told how it was left set',
  },
  'told what is missing': {
    ask: 'What is lost, missing or left for later was told',
    said: 'told what is missing',
  },
  'papers given': { ask: 'Papers, old parts and what is left over were given', said: 'has papers and parts' },
}
