/** Marks what came from the simulated adapter, wherever it is shown. */
export function Simulated() {
  return (
    <strong className="bg-warning px-1.5 text-sm whitespace-nowrap text-warning-content" data-testid="simulated">
      Simulated, not a car
    </strong>
  );
}
