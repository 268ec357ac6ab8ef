/** The same thing with some of its members under the names that they have now; all in their places. */
export const renamed = <T extends object>(thing: T, names: Record<string, keyof T & string>): T =>
  Object.fromEntries(Object.entries(thing).map(([key, value]): [string, unknown] => [names[key] ?? key, value])) as T;
