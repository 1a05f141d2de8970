import type { Pen } from './pen.ts';
import type { Part } from './resistance-net.ts';
import type { Choice } from './rules.ts';

/** Returns the formulas of a step with the numbers in them; two ways for two in parallel. */
export function formulasOf({ rule, parts, points, centre }: Choice, into: readonly Part[], pen: Pen): string[] {
  const names = parts.map((part) => part.id);
  const values = parts.map((part) => pen.ohms(part.resistance));
  const result = into[0] && pen.ohms(into[0].resistance);
  switch (rule) {
    case 'dead-end':
      return [
        parts[0]!.from === parts[0]!.to
          ? `${names[0]} has both ends on ${parts[0]!.from}: no voltage, no current`
          : `${names[0]} leads nowhere: no current`,
      ];
    case 'series':
      return [`${names.join(' + ')} = ${values.join(' + ')} = ${result}`];
    case 'parallel': {
      const reciprocals = `1/(${values.map((value) => `1/${value}`).join(' + ')}) = ${result}`;
      if (parts.length > 2) return [reciprocals];
      return [`${values[0]} × ${values[1]} / (${values[0]} + ${values[1]}) = ${result}`, reciprocals];
    }
    case 'delta-star': {
      const sum = values.join(' + ');
      return into.map((arm, index) => {
        const [one, other] = parts.filter(({ from, to }) => from === points[index] || to === points[index]);
        return `${arm.id} = ${pen.ohms(one!.resistance)} × ${pen.ohms(other!.resistance)} / (${sum}) = ${pen.ohms(arm.resistance)}`;
      });
    }
    case 'star-delta':
    case 'star-mesh': {
      const total = values.map((value) => `1/${value}`).join(' + ');
      return into.map((side) => {
        const arms = parts.filter(({ from, to }) => {
          const corner = from === centre ? to : from;
          return corner === side.from || corner === side.to;
        });
        return `${side.id} = ${arms.map((arm) => pen.ohms(arm.resistance)).join(' × ')} × (${total}) = ${pen.ohms(side.resistance)}`;
      });
    }
  }
}

/** Returns the title of a step, in a few words. */
export function stepTitle({ rule, parts, centre }: Choice): string {
  const names = parts.map((part) => part.id);
  const list = `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
  switch (rule) {
    case 'dead-end':
      return `${names[0]} carries no current`;
    case 'series':
      return `${list} in series`;
    case 'parallel':
      return `${list} in parallel`;
    case 'delta-star':
      return `Delta ${names.join(', ')} into a star`;
    case 'star-delta':
      return `Star at ${centre} into a delta`;
    case 'star-mesh':
      return `Star at ${centre} into a mesh`;
  }
}
