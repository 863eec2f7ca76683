/**
 * Reads the formulas of workings as a person with a pocket calculator would, so that tests can ask whether inputs and
 * formula give the figure that stands beside them.
 */

type Inputs = ReadonlyMap<string, number>;

/** What comes after a comma, colon or semicolon tells when it applies; only rounding changes the figure. */
function bare(formula: string): { text: string; round: (value: number) => number } {
  const text = formula.replace(/^\w+ = /, '');
  const depthless = [...text].findIndex(
    (sign, i) =>
      ',:;'.includes(sign) &&
      (text.slice(0, i).match(/\(/g) ?? []).length === (text.slice(0, i).match(/\)/g) ?? []).length,
  );
  const tail = depthless < 0 ? '' : text.slice(depthless);
  const round = tail.startsWith(', rounded up')
    ? Math.ceil
    : tail.startsWith(', rounded')
      ? Math.round
      : (v: number) => v;
  return { text: depthless < 0 ? text : text.slice(0, depthless), round };
}

type Token = { value: number } | { sign: string };

const FUNCTIONS = ['min', 'max', 'sqrt'];
const SIGNS = '+−-·×/()⌈⌉⌊⌋√²³,';

/** Tokens of a formula, names by the inputs; undefined where it holds a word that is no input. */
function tokensOf(text: string, inputs: Inputs): Token[] | undefined {
  const names = [...inputs.keys()].sort((a, b) => b.length - a.length);
  const tokens: Token[] = [];
  let at = 0;
  while (at < text.length) {
    const rest = text.slice(at);
    const name = names.find((one) => rest.startsWith(one) && !/^[\p{L}\p{Nd}]/u.test(rest.slice(one.length)));
    const number = /^\d+(\.\d+)?/.exec(rest)?.[0];
    const word = FUNCTIONS.find((one) => rest.startsWith(`${one}(`));
    if (rest.startsWith(' ')) at += 1;
    else if (name !== undefined) {
      tokens.push({ value: inputs.get(name) as number });
      at += name.length;
    } else if (number !== undefined) {
      tokens.push({ value: Number(number) });
      at += number.length;
    } else if (rest.startsWith('½')) {
      tokens.push({ value: 0.5 });
      at += 1;
    } else if (word) {
      tokens.push({ sign: word });
      at += word.length;
    } else if (SIGNS.includes(rest[0] as string)) {
      tokens.push({ sign: rest[0] as string });
      at += 1;
    } else return undefined;
  }
  return tokens;
}

/**
 * The value of a formula with its inputs.
 * @param hair so little over a whole number is rounded down: lengths are typed in feet
 * @returns undefined where the formula is words, or names what is not among the inputs
 */
export function evaluated(formula: string, inputs: Inputs, hair = 0): number | undefined {
  const { text, round } = bare(formula);
  const tokens = tokensOf(text, inputs);
  if (!tokens || tokens.length === 0) return undefined;
  let at = 0;
  const next = () => tokens[at];
  const isSign = (...signs: string[]) => {
    const token = next();
    return token !== undefined && 'sign' in token && signs.includes(token.sign);
  };
  const take = (sign: string) => {
    if (!isSign(sign)) throw new SyntaxError(`${sign} expected in "${formula}"`);
    at += 1;
  };

  function sum(): number {
    let value = product();
    while (isSign('+', '−', '-')) {
      const plus = isSign('+');
      at += 1;
      value += plus ? product() : -product();
    }
    return value;
  }
  function product(): number {
    let value = power();
    for (;;) {
      if (isSign('·', '×')) {
        at += 1;
        value *= power();
      } else if (isSign('/')) {
        at += 1;
        value /= power();
      } else if (next() !== undefined && !isSign(')', '⌉', '⌋', '+', '−', '-', ',')) value *= power();
      else return value;
    }
  }
  function power(): number {
    const value = primary();
    if (isSign('²')) at += 1;
    else if (isSign('³')) at += 1;
    else return value;
    const sign = tokens?.[at - 1];
    return value ** (sign && 'sign' in sign && sign.sign === '²' ? 2 : 3);
  }
  function primary(): number {
    const token = next();
    if (token === undefined) throw new SyntaxError(`"${formula}" breaks off`);
    at += 1;
    if ('value' in token) return token.value;
    const inside = (close: string) => {
      const value = sum();
      take(close);
      return value;
    };
    switch (token.sign) {
      case '(':
        return inside(')');
      case '⌈':
        return Math.ceil(inside('⌉') - hair);
      case '⌊':
        return Math.floor(inside('⌋'));
      case '√':
        return Math.sqrt(primary());
      case 'sqrt':
        return Math.sqrt(primary());
      case 'min':
      case 'max': {
        take('(');
        const values = [sum()];
        while (isSign(',')) {
          at += 1;
          values.push(sum());
        }
        take(')');
        return token.sign === 'min' ? Math.min(...values) : Math.max(...values);
      }
      default:
        throw new SyntaxError(`${token.sign} in "${formula}"`);
    }
  }

  try {
    const value = round(sum());
    return at === tokens.length ? value : undefined;
  } catch (error) {
    if (error instanceof SyntaxError) return undefined;
    throw error;
  }
}
