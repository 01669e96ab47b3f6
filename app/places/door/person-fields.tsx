import { type FieldMetadata, getInputProps } from "@conform-to/react";
import { TextField } from "#app/parts/field.tsx";

type Fields = Readonly<Record<"name" | "mail" | "passphrase", FieldMetadata<string>>>;

/** Who somebody is who comes in for the first time. */
export const PersonFields = ({ fields }: { fields: Fields }) => (
  <>
    <TextField
      label="Your name"
      {...getInputProps(fields.name, { type: "text" })}
      key="name"
      autoComplete="name"
      error={fields.name.errors?.[0]}
    />
    <TextField
      label="Mail address"
      {...getInputProps(fields.mail, { type: "email" })}
      key="mail"
      autoComplete="username"
      error={fields.mail.errors?.[0]}
      hint="Only to sign in. No mail is sent."
    />
    <TextField
      label="Passphrase"
      {...getInputProps(fields.passphrase, { type: "password" })}
      key="passphrase"
      autoComplete="new-password"
      error={fields.passphrase.errors?.[0]}
      hint="At least 12 letters. Any will do; there is nothing to renew."
    />
  </>
);
