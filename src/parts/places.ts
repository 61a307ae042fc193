import { createContext } from 'react';
import type { Stretch } from '@/core/brief';

/** Where pictures are made, in the person's own words: of the outing, and stretch by stretch. */
export interface Places {
  readonly outing: string;
  readonly stretches: readonly Pick<Stretch, 'id' | 'name' | 'place'>[];
}

/** The places of the outing that is open. */
export const PlacesContext = createContext<Places>({ outing: '', stretches: [] });
