'use client'
import { createContext, useContext } from 'react'
import type { ProcedureDocument } from '@/core/procedure/document'

const Context = createContext<ProcedureDocument | null>(null)
export const DocumentForForm = Context.Provider
/** Stations the shop has besides the usual ones. */
export const OwnStations = createContext<readonly string[]>([])
export const StationsForForm = OwnStations.Provider

/** Photos of this model's jobs, to choose a picture from. */
export const Photos = createContext<readonly { photoId: string; words: string }[]>([])
export const PhotosForForm = Photos.Provider

export function useDocument(): ProcedureDocument {
  const document = useContext(Context)
  if (!document) throw new Error('A fact form was shown outside its document.')
  return document
}
