import { TextRow } from '../fields/text-row';
import { useAsked } from './use-asked';

/** Words that a list is searched by, in the address as `q`. @param placeholder what it looks through */
export function SearchField({ placeholder }: { readonly placeholder: string }) {
  const { asked, ask } = useAsked();
  return (
    <TextRow
      label="Search"
      type="search"
      value={asked('q')}
      placeholder={placeholder}
      onChange={(event) => ask('q', event.target.value)}
    />
  );
}
