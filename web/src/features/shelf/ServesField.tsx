/** What a part is for: mends by family, and what mends use up. The decision and the steps count it from then on. */
import { servesMend, servesUse } from '@amber-gauge/core/bench';
import { CONSUMABLES, FAMILIES, PATHS, type ConsumableId } from '@amber-gauge/core/families';
import Autocomplete from '@mui/material/Autocomplete';
import { Field } from '../../shared/ui/Field.js';
import { say } from '@amber-gauge/core/words';

interface Choice {
  readonly id: string;
  readonly group: string;
  readonly name: string;
}

/** Parts build in at most so many kinds of mends on one line. */
const MOST = 40;

const CHOICES: readonly Choice[] = [
  ...(Object.keys(CONSUMABLES) as ConsumableId[]).map((id) => ({
    id: servesUse(id),
    group: say`Used up`,
    name: CONSUMABLES[id],
  })),
  ...FAMILIES.flatMap((family) => {
    const path = PATHS.get(family.id);
    return [...(path?.repairs ?? []), ...(path?.ways ?? [])]
      .filter((mend) => mend.money > 0)
      .map((mend) => ({ id: servesMend(family.id, mend.id), group: family.name, name: mend.name }));
  }),
];

/** Its words; an id that is not known stands as it is. */
export const servesWords = (id: string): string => {
  const found = CHOICES.find((one) => one.id === id);
  return found ? `${found.name} (${found.group})` : id;
};

interface Props {
  readonly serves: readonly string[];
  readonly onChange: (serves: readonly string[]) => void;
}

/** Families and models that a part serves. */
export function ServesField({ serves, onChange }: Props) {
  return (
    <Autocomplete
      multiple
      disableCloseOnSelect
      options={CHOICES}
      groupBy={(one) => one.group}
      getOptionLabel={(one) => one.name}
      getOptionKey={(one) => one.id}
      value={CHOICES.filter((one) => serves.includes(one.id))}
      isOptionEqualToValue={(a, b) => a.id === b.id}
      onChange={(_event, chosen) => onChange(chosen.slice(0, MOST).map((one) => one.id))}
      noOptionsText={say`No mend is called so`}
      sx={{ gridColumn: '1 / -1' }}
      renderInput={({ id, disabled, slotProps }) => (
        <Field
          id={id}
          disabled={disabled}
          label={say`Serves these mends (empty: the shelf learns it when a piece is taken for one)`}
          slotProps={slotProps}
        />
      )}
    />
  );
}
