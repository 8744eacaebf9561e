/** Adds to a set of listeners; what it answers takes the listener out again. */
export const listeningTo =
  <Listener>(listeners: Set<Listener>) =>
  (listener: Listener): (() => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  };
