const CORNERS = [
  'upper left',
  'top',
  'upper right',
  'left',
  null,
  'right',
  'lower left',
  'bottom',
  'lower right',
] as const

/** Where a part is begun at, as one looks at it: one tap. */
export function StartCorner({ name, onStart }: { name: string; onStart: (corner: string) => void }) {
  return (
    <fieldset className="mt-3">
      <legend className="mb-1 text-lg font-semibold">Start at</legend>
      <div className="grid max-w-96 grid-cols-3 gap-1">
        {CORNERS.map((corner, i) =>
          corner === null ? (
            <span key={i} className="grid place-items-center truncate px-1 text-[15px] text-second">
              {name}
            </span>
          ) : (
            <button
              key={corner}
              type="button"
              className="ghost !min-h-11 !px-1 !py-0 text-base"
              onClick={() => onStart(corner)}
            >
              {corner}
            </button>
          ),
        )}
      </div>
    </fieldset>
  )
}
