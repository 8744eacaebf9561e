/** What is worked out of an object once, and forgotten with it. The object must never change. */
export function remembered<Of extends object, Found>(find: (of: Of) => Found): (of: Of) => Found {
  const known = new WeakMap<Of, { readonly found: Found }>();
  return (of) => {
    const before = known.get(of);
    if (before) return before.found;
    const found = find(of);
    known.set(of, { found });
    return found;
  };
}
