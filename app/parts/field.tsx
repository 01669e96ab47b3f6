import { type ComponentProps, type ReactNode, useId } from "react";

type Wrapped = {
  label: string;
  hint?: string | undefined;
  error?: string | undefined;
  children: (props: { id: string; "aria-describedby"?: string; "aria-invalid"?: true }) => ReactNode;
};

/** A label, its control, a hint, and what is wrong, tied together for every reader. */
export function Labelled({ label, hint, error, children }: Wrapped) {
  const id = useId();
  const about = error ? `${id}-error` : hint ? `${id}-hint` : undefined;
  return (
    <div className="grid content-start gap-1">
      <label htmlFor={id} className="text-sm font-medium">
        {label}
      </label>
      {children({ id, ...(about ? { "aria-describedby": about } : {}), ...(error ? { "aria-invalid": true } : {}) })}
      {error ? (
        <p id={`${id}-error`} role="alert" className="text-sm font-medium text-ember">
          {error}
        </p>
      ) : (
        hint && (
          <p id={`${id}-hint`} className="text-sm text-quiet">
            {hint}
          </p>
        )
      )}
    </div>
  );
}

type Own = { label: string; hint?: string | undefined; error?: string | undefined };

export function TextField({ label, hint, error, ...input }: Own & Omit<ComponentProps<"input">, "id">) {
  return (
    <Labelled label={label} hint={hint} error={error}>
      {(props) => <input className="field" {...input} {...props} />}
    </Labelled>
  );
}

export function SelectField({ label, hint, error, children, ...select }: Own & Omit<ComponentProps<"select">, "id">) {
  return (
    <Labelled label={label} hint={hint} error={error}>
      {(props) => (
        <select className="field" {...select} {...props}>
          {children}
        </select>
      )}
    </Labelled>
  );
}
