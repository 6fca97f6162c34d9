import { expect, test } from '@jest/globals'
import { Ajv2020 } from 'ajv/dist/2020.js'
import { procedureJsonSchema } from './procedureJsonSchema'
import { panelVan } from '../testing/vehicles.testing'

// Checked with an independent validator.
const validate = new Ajv2020({ strict: false, validateFormats: false }).compile(procedureJsonSchema())

test('a procedure of the demo is valid, and a wrong one is not', () => {
  expect(validate(JSON.parse(JSON.stringify(panelVan())))).toBe(true)
  expect(validate({ ...panelVan(), version: 3 })).toBe(false)
  expect(validate({ ...panelVan(), holders: [{ ...panelVan().holders[0], count: 0 }] })).toBe(false)
})
