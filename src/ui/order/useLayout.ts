'use client'
import { useEffect, useState } from 'react'
import { layoutGraph, type GraphInput, type GraphPlaces } from '@/client/graphLayout'

/** Where the boxes of a graph go. Null while it is being worked out; 'failed' when the browser can't. */
export function useLayout(graph: GraphInput): GraphPlaces | null | 'failed' {
  const name = JSON.stringify(graph)
  const [laid, setLaid] = useState<{ name: string; places: GraphPlaces | 'failed' } | null>(null)
  useEffect(() => {
    let stale = false
    layoutGraph(JSON.parse(name) as GraphInput)
      .then((places) => !stale && setLaid({ name, places }))
      .catch(() => !stale && setLaid({ name, places: 'failed' }))
    return () => {
      stale = true
    }
  }, [name])
  return laid?.name === name ? laid.places : null
}
