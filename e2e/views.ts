/** Addresses of everything that Seating shows. */
export const views = [
  "overview",
  "shelf",
  "plan",
  "rules",
  "lineups",
  "lineups?part=in",
  "lineups?part=following",
  "lineups?part=together",
  "profiles",
  "depot",
  "settings",
  "settings?part=definition",
  "settings?part=data",
  "settings?part=application",
  "settings?part=messages",
  "settings?part=keys",
];
