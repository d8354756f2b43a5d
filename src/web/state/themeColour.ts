/** Reads a colour of the theme for a library that cannot read CSS variables. */
export const themeColour = (name: string) =>
  getComputedStyle(document.documentElement).getPropertyValue(name).trim();
