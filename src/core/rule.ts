/** A rule of the schemas that a value breaks, beyond the kind and range of its field. */
export type Rule =
  | { readonly rule: 'most-below-least' }
  | { readonly rule: 'no-width-or-height' }
  | { readonly rule: 'farthest-nearer' }
  | { readonly rule: 'long-end-shorter' }
  | { readonly rule: 'wider-than-wide-end' }
  | { readonly rule: 'needs-subject' }
  | { readonly rule: 'aim-twice' }
  | { readonly rule: 'weather-twice' }
  | { readonly rule: 'points-do-not-fit' }
  | { readonly rule: 'ends-before-start' }
  | { readonly rule: 'focal-lengths-must-rise' }
  | { readonly rule: 'f-numbers-must-not-fall' }
  | {
      readonly rule:
        | 'duplicate-id'
        | 'no-lens'
        | 'no-body'
        | 'no-shooter'
        | 'no-stretch'
        | 'no-frame'
        | 'frame-twice'
        | 'no-item'
        | 'shooter-twice'
        | 'locked-in-and-out'
        | 'away-locked-in';
      readonly id: string;
    };

/** What a refinement says of a rule that is broken; sentences are made of it elsewhere. */
export function broken(rule: Rule): { readonly params: Rule } {
  return { params: rule };
}
