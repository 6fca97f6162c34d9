'use client'
import type { View } from '@/core/procedure/view'

export function markSize(view: View): number {
  return Math.min(view.widthMm / 46, view.heightMm / 26)
}
