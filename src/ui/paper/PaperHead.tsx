import { ProductSign } from '../marks/Signs'

/** The head of a page for paper: what it is, of which vehicle and job, whose shop, and when it stood so. */
export function PaperHead({
  title,
  of,
  shopName,
  stood,
}: {
  title: string
  of: string
  shopName: string
  stood: string
}) {
  return (
    <header className="mb-3 flex items-center gap-3">
      <ProductSign size={40} />
      <div>
        <h2 className="text-2xl">{title}</h2>
        <p>{of}</p>
      </div>
      <p className="ml-auto text-right">
        {shopName}
        <br />
        {stood}
      </p>
    </header>
  )
}
