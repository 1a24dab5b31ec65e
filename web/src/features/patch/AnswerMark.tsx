const SHAPES: Record<string, { sign: string; tone: string }> = {
  answered: { sign: '●', tone: 'text-moss' },
  wrong: { sign: '▲', tone: 'text-ochre' },
  dead: { sign: '■', tone: 'text-madder' },
};

interface Props {
  answer: string;
  note: string;
  words?: boolean;
}

/** How a fixture answered when it was brought up, by shape as well as colour; nothing when nobody tried. */
export function AnswerMark({ answer, note, words }: Props) {
  const shape = SHAPES[answer];
  if (!shape) return null;
  const said = note ? `${answer}: ${note}` : answer;
  return (
    <span className={`font-semibold ${shape.tone}`} title={said} role="img" aria-label={said}>
      {shape.sign} {words && answer}
    </span>
  );
}
