import { expect, it } from "vitest";
import { colourName } from "./colours.ts";

// The sixteen colours of CSS level 1 have names of their own, by which people know them; ours say the same in plain words.
it("a colour is called what somebody would call it who has it before them (CSS level 1)", () => {
  const named = {
    ...{ "#000000": "black", "#c0c0c0": "grey", "#808080": "grey", "#ffffff": "white" },
    ...{ "#800000": "dark red", "#ff0000": "red", "#800080": "dark purple", "#ff00ff": "purple" },
    ...{ "#008000": "green", "#00ff00": "light green", "#808000": "olive", "#ffff00": "yellow" },
    ...{ "#000080": "dark blue", "#0000ff": "dark blue", "#008080": "teal", "#00ffff": "light teal" },
  };
  for (const [colour, name] of Object.entries(named)) expect(colourName(colour), colour).toBe(name);
  // Colours of a table and what lies on it.
  const others = { "#8a5a2b": "brown", "#e9a23b": "orange", "#fbf7ea": "white", "#f3e6c0": "cream", "#f4a6b0": "pink" };
  for (const [colour, name] of Object.entries(others)) expect(colourName(colour), colour).toBe(name);
});
