import { number, object } from 'yup';

/** An object of numbers, each within its own range, nothing else in it. */
export const numbersWithin = (ranges: Readonly<Record<string, readonly [number, number]>>, title: string) =>
  object(
    Object.fromEntries(
      Object.entries(ranges).map(([name, [low, high]]) => [
        name,
        number()
          .strict()
          .typeError(`${title}.${name} must be a number`)
          .min(low, `${title}.${name} must be ${low} or more`)
          .max(high, `${title}.${name} must be ${high} or less`)
          .optional(),
      ]),
    ),
  )
    .noUnknown(`${title} holds a name that this version does not know: \${unknown}`)
    .default({});

/** The entries of an object that are there. */
export const given = <T extends object>(o: T): Partial<T> =>
  Object.fromEntries(Object.entries(o).filter(([, v]) => v !== undefined)) as Partial<T>;
