'use client'
import type { ProcedureDocument } from '@/core/procedure/document'
import { Dialog } from '../shell/Dialog'
import { COLLECTION_WORDS } from './fieldSpecs'
import { ItemForm } from './ItemForm'
import { PhotosForForm, StationsForForm } from './formContext'
import { itemWords } from '@/words/items'

import type { Form, ProcedureData } from './procedureData'
/** One fact as a form. */
export function FactDialog({
  data,
  document,
  form,
  save,
  close,
}: {
  data: ProcedureData
  document: ProcedureDocument
  form: Form
  save: (item: { id: string }, needs: { id: string }[]) => Promise<string | null>
  close: () => void
}) {
  return (
    <Dialog
      title={
        form
          ? form.isNew
            ? `New ${COLLECTION_WORDS[form.collection].one}`
            : `Change ${COLLECTION_WORDS[form.collection].one}`
          : ''
      }
      open={form !== null}
      onClose={close}
      wide
    >
      {form && (
        <StationsForForm value={data.stations}>
          <PhotosForForm
            value={data.cleanUp.photos.map(({ photoId, itemId, label }) => ({
              photoId,
              words: [itemId && itemWords(document, itemId), label].filter(Boolean).join(', '),
            }))}
          >
            <ItemForm
              key={form.item.id}
              document={document}
              collection={form.collection}
              item={form.item}
              isNew={form.isNew}
              save={save}
              close={close}
            />
          </PhotosForForm>
        </StationsForForm>
      )}
    </Dialog>
  )
}
