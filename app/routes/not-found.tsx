import { notFound } from "#app/http/page.ts";

export function loader() {
  throw notFound();
}

export default function NotFound() {
  return null;
}
