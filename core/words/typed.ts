/**
 * Breaks text into lines of at most `columns` characters of a typewriter face: at spaces, and inside a word only when it
 * is longer than a line. Line breaks in the text stay; an empty line is an empty line.
 */
export function typedLines(text: string, columns: number): string[] {
  const most = Math.max(1, columns);
  return text.split(/\r?\n/).flatMap((paragraph) => {
    const lines: string[] = [];
    let line = "";
    for (const word of paragraph.split(/\s+/).filter(Boolean)) {
      let rest = [...word];
      const length = [...line].length;
      if (line !== "" && length + 1 + rest.length <= most) {
        line += ` ${word}`;
        continue;
      }
      if (line !== "") lines.push(line);
      while (rest.length > most) {
        lines.push(rest.slice(0, most).join(""));
        rest = rest.slice(most);
      }
      line = rest.join("");
    }
    return [...lines, line];
  });
}
