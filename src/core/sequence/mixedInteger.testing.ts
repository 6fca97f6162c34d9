import type { SearchProblem } from './problem'

/**
 * A problem without settings as a mixed-integer program, in the text form that solvers read: which operation stands at
 * which place of the sequence, which tool is carried after it, where one stands. Written apart from the search, to be
 * solved by a general solver. Set-up in seconds. Cost: grows with the cube of the operations; for small problems.
 */
export function asMixedInteger(problem: SearchProblem): string {
  const n = problem.operations.length
  const places = Array.from({ length: n }, (_, p) => p)
  const tools = problem.toolMs.map((_, t) => t).filter((t) => t > 0)
  const stations = problem.walkMs.map((_, s) => s)
  const objective: string[] = []
  const rows: string[] = []
  const binaries: string[] = []
  const row = (terms: readonly string[], relation: string) =>
    rows.push(` r${rows.length}: ${terms.join(' + ').replaceAll('+ -', '- ')} ${relation}`)
  const x = (i: number, p: number) => `x${i}_${p}`
  for (const i of problem.operations.keys()) {
    row(
      places.map((p) => x(i, p)),
      '= 1',
    )
    binaries.push(...places.map((p) => x(i, p)))
  }
  for (const p of places)
    row(
      [...problem.operations.keys()].map((i) => x(i, p)),
      '= 1',
    )
  for (const [before, after] of problem.pairs)
    row([...places.map((p) => `${p} ${x(after, p)}`), ...places.map((p) => `-${p} ${x(before, p)}`)], '>= 1')
  for (const p of places) {
    for (const tool of tools) {
      binaries.push(`t${tool}_${p}`)
      const own = [...problem.operations.keys()].filter((i) => problem.operations[i]!.tool === tool)
      const hand = [...problem.operations.keys()].filter((i) => problem.operations[i]!.tool === 0)
      // Carried after this place: by an operation with it, or carried before and kept by bare hands.
      if (p === 0)
        row([`t${tool}_0`, ...own.map((i) => `-1 ${x(i, 0)}`)], problem.start.tool === tool ? '<= 1' : '<= 0')
      else {
        row([`t${tool}_${p}`, ...own.map((i) => `-1 ${x(i, p)}`), `-1 t${tool}_${p - 1}`], '<= 0')
        row([`t${tool}_${p}`, ...own.map((i) => `-1 ${x(i, p)}`), ...hand.map((i) => `-1 ${x(i, p)}`)], '<= 0')
      }
      // Taken up here: an operation with it, and not carried before. Taking up costs the same from any other tool.
      const costS = Math.max(...problem.toolMs.map((list) => list[tool]!)) / 1000
      if (own.length === 0) continue
      objective.push(`${costS} u${tool}_${p}`)
      row(
        [`u${tool}_${p}`, ...own.map((i) => `-1 ${x(i, p)}`), ...(p > 0 ? [`t${tool}_${p - 1}`] : [])],
        p === 0 && problem.start.tool === tool ? '>= -1' : '>= 0',
      )
    }
    row(
      tools.map((tool) => `t${tool}_${p}`),
      '<= 1',
    )
    for (const from of stations)
      for (const to of stations) {
        if (from === to) continue
        const there = [...problem.operations.keys()].filter((i) => problem.operations[i]!.station === to)
        const here = [...problem.operations.keys()].filter((i) => problem.operations[i]!.station === from)
        if (there.length === 0 || (p === 0 ? from !== problem.start.station : here.length === 0)) continue
        objective.push(`${problem.walkMs[from]![to]! / 1000} w${from}_${to}_${p}`)
        row(
          [
            `w${from}_${to}_${p}`,
            ...there.map((i) => `-1 ${x(i, p)}`),
            ...(p > 0 ? here.map((i) => `-1 ${x(i, p - 1)}`) : []),
          ],
          p > 0 ? '>= -1' : '>= 0',
        )
      }
  }
  return `Minimize\n obj: ${objective.join(' + ')}\nSubject To\n${rows.join('\n')}\nBinary\n ${binaries.join(' ')}\nEnd\n`
}
