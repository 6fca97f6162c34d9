'use client'
import { Moon, Sun } from 'lucide-react'
import { useRouter } from 'next/navigation'

/** Bay (dark) or desk (light), remembered on this device for every screen. */
export function ThemeButton({ theme }: { theme: 'desk' | 'bay' }) {
  const router = useRouter()
  const other = theme === 'desk' ? 'bay' : 'desk'
  const change = () => {
    document.cookie = `look=${other}; path=/; max-age=31536000; samesite=lax`
    router.refresh()
  }
  return (
    <button
      type="button"
      onClick={change}
      aria-label={other === 'bay' ? 'Dark, for the bay' : 'Light, for the desk'}
      className="grid size-9 place-items-center rounded text-second hover:text-ink"
    >
      {other === 'bay' ? <Moon size={20} aria-hidden /> : <Sun size={20} aria-hidden />}
    </button>
  )
}
