'use client'
import { zodResolver } from '@hookform/resolvers/zod'
import { useState } from 'react'
import { FormProvider, useForm, type FieldValues, type Resolver } from 'react-hook-form'
import { ITEM_SCHEMA, type FactCollection, type ProcedureDocument } from '@/core/procedure/document'
import { coversNeed } from '@/core/procedure/need'
import { SelectField } from '../forms/Field'
import { COLLECTION_WORDS, FORMS } from './fieldSpecs'
import { newId } from '@/client/newId'
import { DocumentForForm } from './formContext'
import { SpecField } from './SpecFields'

type Item = { id: string }
export type SaveItem = (item: Item, alsoNeeds: ReturnType<typeof coversNeed>[]) => Promise<string | null>

/** The form of one fact. Nothing typed is lost when saving fails: the form stays, with a sentence. */
export function ItemForm({
  document,
  collection,
  item,
  isNew,
  save,
  close,
}: {
  document: ProcedureDocument
  collection: FactCollection
  item: Item
  isNew: boolean
  save: SaveItem
  close: () => void
}) {
  const form = useForm<FieldValues>({
    defaultValues: item,
    resolver: zodResolver(ITEM_SCHEMA[collection]) as unknown as Resolver<FieldValues>,
  })
  const [hiddenBy, setHiddenBy] = useState('')
  const [hiddenLevel, setHiddenLevel] = useState<'free' | 'off'>('off')
  const [trouble, setTrouble] = useState('')
  const submit = form.handleSubmit(
    async (value) => {
      const covers = hiddenBy ? [coversNeed(newId('need'), item.id, hiddenBy, hiddenLevel)] : []
      const sentence = await save({ ...value, id: item.id }, covers)
      if (sentence) setTrouble(sentence)
      else close()
    },
    () => setTrouble('Some fields need another look.'),
  )
  return (
    <DocumentForForm value={document}>
      <FormProvider {...form}>
        <form onSubmit={submit} className="space-y-4" noValidate>
          {FORMS[collection].map((group) =>
            group.folded ? (
              <details key={group.title} className="border-t border-hair pt-2">
                <summary className="cursor-pointer font-bold">{group.title}</summary>
                <div className="mt-2 grid gap-3 sm:grid-cols-2">
                  {group.specs.map((spec) => (
                    <SpecField key={spec.path} spec={spec} />
                  ))}
                </div>
              </details>
            ) : (
              <fieldset key={group.title} className="grid gap-3 sm:grid-cols-2">
                <legend className="mb-1 text-lg font-bold">{group.title}</legend>
                {group.specs.map((spec) => (
                  <SpecField key={spec.path} spec={spec} />
                ))}
              </fieldset>
            ),
          )}
          {collection === 'holders' && isNew && (
            <fieldset className="grid gap-3 border-t border-hair pt-2 sm:grid-cols-2">
              <legend className="text-lg font-bold">Hidden?</legend>
              <SelectField label="Hidden behind" value={hiddenBy} onChange={(event) => setHiddenBy(event.target.value)}>
                <option value="">in plain sight</option>
                {document.parts.map((part) => (
                  <option key={part.id} value={part.id}>
                    {part.name}
                  </option>
                ))}
              </SelectField>
              {hiddenBy && (
                <SelectField
                  label="Seen once that is"
                  value={hiddenLevel}
                  onChange={(event) => setHiddenLevel(event.target.value as 'free' | 'off')}
                >
                  <option value="off">off</option>
                  <option value="free">free</option>
                </SelectField>
              )}
            </fieldset>
          )}
          <p role="alert" className="min-h-6 font-semibold">
            {trouble}
          </p>
          <div className="flex gap-3">
            <button type="button" className="desk-button" onClick={close}>
              Leave as it was
            </button>
            <button className="desk-button main flex-1" disabled={form.formState.isSubmitting}>
              {form.formState.isSubmitting ? 'Saving…' : isNew ? `Add the ${COLLECTION_WORDS[collection].one}` : 'Save'}
            </button>
          </div>
        </form>
      </FormProvider>
    </DocumentForForm>
  )
}
