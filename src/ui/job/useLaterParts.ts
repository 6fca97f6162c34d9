import { useEffect } from 'react'

const AFTER_MS = 1500

/** Brings in what the job page opens later, once it stands: a bay without a network still has every dialog. */
export function useLaterParts(): void {
  useEffect(() => {
    const timer = setTimeout(() => {
      const parts = [
        import('./Different'),
        import('./Broken'),
        import('./WontMove'),
        import('./GateDialog'),
        import('./MoreDialog'),
        import('./PauseDialog'),
        import('./PausedScreen'),
        import('./AlreadyHereForm'),
        import('./JobPhoto'),
        import('./TestFailed'),
        import('./WorkDone'),
        import('./ReadingForm'),
        import('./MissingTool'),
        import('./PeopleDialog'),
        import('./ReplanDialog'),
        import('./Waiting'),
        import('./IntakeScreen'),
        import('../map/PartMap'),
        import('./RefitSheet'),
        import('@/client/media'),
        import('@/client/planning').then(({ warmUp }) => warmUp()),
        import('@/core/plan/keptPlan'),
      ]
      void Promise.allSettled(parts)
    }, AFTER_MS)
    return () => clearTimeout(timer)
  }, [])
}
