/** Questions on which workshops disagree: both sides, and what settles them. */
export function SchoolList({
  schools,
  className = '',
}: {
  schools: readonly {
    readonly id: string;
    readonly question: string;
    readonly one: string;
    readonly other: string;
    readonly settles: string;
  }[];
  className?: string;
}) {
  return (
    <section aria-labelledby="schools-title" className={className}>
      <h2 id="schools-title" className="text-2xl type-sign">
        Where workshops disagree
      </h2>
      <ul className="mt-2 space-y-3" data-testid="schools">
        {schools.map((s) => (
          <li key={s.id}>
            <details>
              <summary className="flex min-h-11 cursor-pointer items-center font-semibold">{s.question}</summary>
              <div className="mt-1 grid grid-cols-1 gap-x-6 text-sm leading-snug md:grid-cols-2">
                <p>{s.one}</p>
                <p>{s.other}</p>
                <p className="mt-1 font-semibold md:col-span-2">{s.settles}</p>
              </div>
            </details>
          </li>
        ))}
      </ul>
    </section>
  );
}
