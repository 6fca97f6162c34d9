import { useEffect } from 'react'

/** Says what is next with the browser's own voice, each time it changes. */
export function useReadAloud(words: string, on: boolean): void {
  useEffect(() => {
    if (!on || words === '' || !('speechSynthesis' in window)) return
    window.speechSynthesis.cancel()
    window.speechSynthesis.speak(new SpeechSynthesisUtterance(words))
    return () => window.speechSynthesis.cancel()
  }, [words, on])
}
