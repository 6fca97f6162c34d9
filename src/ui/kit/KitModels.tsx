'use client'
import { Plus } from 'lucide-react'
import { KitFit } from '@/core/shop/kitFit'
import { Fit, type KitModel } from './KitFitSection'
import type { KitEdited } from './KitRows'

/** How the kit meets each model it is fitted to. */
export function KitModels({ kit, set, models }: KitEdited & { models: KitModel[] }) {
  return (
    <section>
      <h2 className="border-b-2 border-ink pb-1 text-xl">On these models</h2>
      {kit.fits.length === 0 && (
        <p className="py-2 text-second">
          On none yet: it can’t be planned. Add a model, then say what each piece of work needs open.
        </p>
      )}
      {kit.fits.map((fit, i) => {
        const model = models.find((item) => item.procedureId === fit.procedureId)
        return model ? (
          <Fit
            key={fit.procedureId}
            kit={kit}
            fit={fit}
            model={model}
            change={(more) => set({ fits: kit.fits.with(i, { ...fit, ...more }) })}
            remove={() => set({ fits: kit.fits.toSpliced(i, 1) })}
          />
        ) : null
      })}
      <div className="mt-3 flex flex-wrap gap-2">
        {models
          .filter((model) => !kit.fits.some((fit) => fit.procedureId === model.procedureId))
          .map((model) => (
            <button
              key={model.procedureId}
              type="button"
              className="desk-button"
              onClick={() => set({ fits: [...kit.fits, KitFit.parse({ procedureId: model.procedureId })] })}
            >
              <Plus size={16} aria-hidden /> {model.document.name}
            </button>
          ))}
      </div>
    </section>
  )
}
