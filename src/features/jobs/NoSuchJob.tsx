import { Link } from '@/ui/Link';

/** Shown in place of a job that is not kept here. */
export function NoSuchJob() {
  return (
    <div className="mx-auto max-w-3xl px-5 py-16">
      <h1 className="text-4xl type-sign">This job is not here</h1>
      <p className="mt-4 text-lg">It was deleted, or it is kept in another browser.</p>
      <Link href="/" className="btn mt-6 btn-primary">
        All jobs
      </Link>
    </div>
  );
}
