import type { ReactNode } from 'react'
import type { BottomItem, URow } from '@/core/job/uRows'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'

export type Size = 'bay' | 'desk' | 'small'
export type UProps = {
  model: ProcedureForBuild
  rows: readonly URow[]
  /**
   * What lies at the bottom: the cavities, the work done there (squares), and what is tested before it is hidden
   * (diamonds).
   */
  bottom: { goals: string[]; works: readonly BottomItem[]; tests: readonly BottomItem[]; reached: boolean }
  trayOf?: (holderId: string) => string | undefined
  size?: Size
  seconds?: boolean
  extra?: (row: URow) => ReactNode
  label?: string
  /** Said between the two heads: how much is out and back. */
  middle?: string
}
