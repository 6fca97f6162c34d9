import { useEffect, useState } from 'react'
import { flushSync } from 'react-dom'

/**
 * Whether the page is being printed: what only paper shows is made when it is wanted, and nothing stands in the page
 * twice.
 */
export function usePrinting(): boolean {
  const [printing, setPrinting] = useState(false)
  useEffect(() => {
    const paper = window.matchMedia('print')
    // The browser draws the sheet right after it has told: it has to be there by then.
    const put = (now: boolean) => flushSync(() => setPrinting(now))
    const onPaper = () => put(paper.matches)
    const [before, after] = [() => put(true), () => put(false)]
    paper.addEventListener('change', onPaper)
    window.addEventListener('beforeprint', before)
    window.addEventListener('afterprint', after)
    return () => {
      paper.removeEventListener('change', onPaper)
      window.removeEventListener('beforeprint', before)
      window.removeEventListener('afterprint', after)
    }
  }, [])
  return printing
}
