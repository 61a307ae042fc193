import { EMPTY_OUTING, type OutingFile } from '@/document';
import { workspaceText } from '@/text';

/** An outing with a name and nothing in it. */
export function newOuting(): OutingFile {
  const { newOuting: name } = workspaceText.useOutingActions;
  return { ...EMPTY_OUTING, outing: { ...EMPTY_OUTING.outing, name } };
}
