'use client';

/** A defect reached the screen: say so, keep the data, offer the way back. */
export default function ErrorScreen({ error, reset }: { error: Error; reset: () => void }) {
  return (
    <div role="alert" className="mx-auto max-w-3xl px-5 py-16">
      <h1 className="text-4xl type-sign">This screen broke</h1>
      <p className="mt-4 text-lg">What you saved is kept. The defect: {error.message}</p>
      <button type="button" className="btn mt-6 btn-lg btn-primary" onClick={reset}>
        Try again
      </button>
    </div>
  );
}
