import { expect, test } from '@jest/globals'
import { build } from 'esbuild'

const PAGE = 'src/ui/job/JobScreen.tsx'

/**
 * What a module brings in at once, as its bundler sees it: types are gone, and what is imported on demand does not
 * count.
 */
async function broughtInBy(page: string): Promise<string[]> {
  const { metafile } = await build({
    entryPoints: [page],
    bundle: true,
    splitting: true,
    write: false,
    metafile: true,
    format: 'esm',
    outdir: 'nowhere',
    jsx: 'automatic',
    tsconfig: 'tsconfig.json',
    external: ['next/*', 'react', 'react-dom', '@/app/*'],
    logLevel: 'silent',
  })
  const found = new Set([page])
  for (const file of found)
    for (const { path, kind, external } of metafile.inputs[file]?.imports ?? [])
      if (!external && kind !== 'dynamic-import') found.add(path)
  return [...found]
}

test('the first load of the job page has what a tap needs, and neither the parser nor the search for an order nor what only a strip needs', async () => {
  const files = await broughtInBy(PAGE)
  expect(files).toContain('src/core/job/fold.ts')
  expect(files).toContain('src/core/vehicle/powerGate.ts')
  const heavy = files.filter(
    (file) =>
      /node_modules\/(zod|elkjs|recharts|@react-pdf|qrcode|comlink)\//.test(file) ||
      /^src\/(core\/sequence|core\/strip|core\/shorthand)\//.test(file),
  )
  expect(heavy).toEqual([])
  // Bundling takes a moment on a busy machine.
}, 30_000)
