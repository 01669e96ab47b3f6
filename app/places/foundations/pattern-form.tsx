import { Button } from "#app/parts/button.tsx";
import { Options } from "#app/parts/options.tsx";
import type { PatternRule } from "#core/book/pattern.ts";
import type { Template } from "#core/book/template.ts";

const WEEKDAYS = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"];
const LETTERS = "ABCDEFGHIJKL";

function TemplateSelect({
  label,
  value,
  templates,
  onChange,
}: {
  label: string;
  value: string;
  templates: readonly Template[];
  onChange: (id: string) => void;
}) {
  return (
    <select
      aria-label={label}
      className="field w-full py-1 text-sm"
      value={value}
      onChange={(event) => onChange(event.target.value)}
    >
      <Options all={templates.map(({ id, name }) => [id, name] as const)} />
    </select>
  );
}

type FormProps = {
  cycle: readonly string[];
  rules: readonly PatternRule[];
  templates: readonly Template[];
  onCycle: (cycle: readonly string[]) => void;
  onRules: (rules: readonly PatternRule[]) => void;
};

/** Which template each day gets: turns that go round, and rules that go before them. */
export function PatternForm({ cycle, rules, templates, onCycle, onRules }: FormProps) {
  const first = templates[0]?.id ?? "";
  if (templates.length === 0) return null;
  const put = (at: number, rule: PatternRule) => onRules(rules.map((each, index) => (index === at ? rule : each)));
  return (
    <section aria-labelledby="pattern" className="grid gap-3">
      <h2 id="pattern" className="border-b border-line pb-1 text-lg">
        The pattern
      </h2>
      <div className="grid gap-2">
        <p className="text-sm font-medium">Taking turns, day by day</p>
        {cycle.map((id, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a template may take several turns; its turn is what it is
          <div key={at} className="grid grid-cols-[1.5rem_minmax(0,24rem)_auto] items-center gap-2">
            <span className="font-numeral text-lg font-semibold">{LETTERS[at]}</span>
            <TemplateSelect
              label={`Turn ${LETTERS[at]}`}
              value={id}
              templates={templates}
              onChange={(next) => onCycle(cycle.map((each, index) => (index === at ? next : each)))}
            />
            <Button
              look="quiet"
              small
              aria-label={`Take turn ${LETTERS[at]} out`}
              onClick={() => onCycle(cycle.filter((_, index) => index !== at))}
            >
              Take out
            </Button>
          </div>
        ))}
        {cycle.length < LETTERS.length && (
          <Button small className="justify-self-start" onClick={() => onCycle([...cycle, first])}>
            Add a turn
          </Button>
        )}
      </div>
      <div className="grid gap-2">
        <p className="text-sm font-medium">Days that get another page instead</p>
        {rules.map((rule, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: rules have an order and nothing else to go by
          <div key={at} className="grid grid-cols-[minmax(0,13rem)_minmax(0,20rem)_auto] items-center gap-2">
            <RuleWhen rule={rule} onChange={(next) => put(at, next)} />
            <TemplateSelect
              label="gets"
              value={rule.template}
              templates={templates}
              onChange={(template) => put(at, { ...rule, template })}
            />
            {rule.when === "dates" ? (
              <span />
            ) : (
              <Button
                look="quiet"
                small
                aria-label="Take this rule out"
                onClick={() => onRules(rules.filter((_, index) => index !== at))}
              >
                Take out
              </Button>
            )}
          </div>
        ))}
        <div className="flex flex-wrap gap-2">
          <Button small onClick={() => onRules([...rules, { when: "weekday", weekday: 7, template: first }])}>
            A weekday
          </Button>
          <Button small onClick={() => onRules([...rules, { when: "photos", atLeast: 3, template: first }])}>
            Days with many photos
          </Button>
        </div>
      </div>
    </section>
  );
}

function RuleWhen({ rule, onChange }: { rule: PatternRule; onChange: (rule: PatternRule) => void }) {
  switch (rule.when) {
    case "dates":
      return (
        <span className="text-sm">
          {rule.dates.length === 0
            ? "Days ticked at the side"
            : `${rule.dates.length} ticked ${rule.dates.length === 1 ? "day" : "days"}`}
        </span>
      );
    case "weekday":
      return (
        <label className="flex items-center gap-2 text-sm">
          Every
          <select
            aria-label="Weekday"
            className="field py-1 text-sm"
            value={rule.weekday}
            onChange={(event) => onChange({ ...rule, weekday: Number(event.target.value) })}
          >
            {WEEKDAYS.map((name, at) => (
              <option key={name} value={at + 1}>
                {name}
              </option>
            ))}
          </select>
        </label>
      );
    case "photos":
      return (
        <label className="flex items-center gap-2 text-sm">
          <input
            type="number"
            aria-label="Photos at least"
            min={1}
            max={50}
            className="field w-16 py-1 text-sm"
            value={rule.atLeast}
            onChange={(event) =>
              onChange({ ...rule, atLeast: Math.max(1, Math.min(50, Math.round(Number(event.target.value) || 1))) })
            }
          />
          or more photos
        </label>
      );
  }
}
