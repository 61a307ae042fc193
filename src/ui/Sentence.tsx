import { createElement, Fragment, type ReactNode } from 'react';

/** A sentence of texts and drawn parts, in their order. */
export function Sentence({ parts }: { readonly parts: readonly ReactNode[] }) {
  return createElement(Fragment, null, ...parts);
}
