import { requireCrew } from '@/server/session'
import { may } from '@/server/whoAsks'
import { WordsForm } from '@/ui/shop/WordsForm'
import { saveWordsAction } from '../actions'
import { ShopPage } from '../ShopPage'

export const metadata = { title: 'House words' }

export default async function WordsPage() {
  const crew = await requireCrew()
  return (
    <ShopPage
      crew={crew}
      at="/shop/words"
      title="House words"
      about="What this shop calls things, so that a line of shorthand understands it."
    >
      <WordsForm words={crew.words} may={may(crew, 'change words')} save={saveWordsAction} />
    </ShopPage>
  )
}
