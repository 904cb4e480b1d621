/** How the practice unit is set and held while it is measured. */
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';

/** The unit's setting, and how it stands. */
export interface Stands {
  readonly setting: string;
  /** 0 cold, 1 warm. */
  readonly warm: number;
  readonly tapped: boolean;
  readonly loaded: boolean;
  readonly damp: boolean;
}

interface Props {
  readonly settings: readonly string[];
  readonly stands: Stands;
  readonly onStands: (to: Stands) => void;
}

export function SetTo({ settings, stands, onStands }: Props) {
  const held = [
    stands.warm > 0 && 'warm',
    stands.tapped && 'tapped',
    stands.loaded && 'loaded',
    stands.damp && 'damp',
  ].filter(Boolean);
  return (
    <>
      {settings.length > 1 && (
        <ToggleButtonGroup
          exclusive
          size="small"
          value={stands.setting}
          onChange={(_event, setting: string | null) => setting && onStands({ ...stands, setting })}
          aria-label="The unit is set to"
        >
          {settings.map((one) => (
            <ToggleButton key={one} value={one}>
              {one}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      )}
      <ToggleButtonGroup
        size="small"
        value={held}
        onChange={(_event, now: string[]) =>
          onStands({
            ...stands,
            warm: now.includes('warm') ? 1 : 0,
            tapped: now.includes('tapped'),
            loaded: now.includes('loaded'),
            damp: now.includes('damp'),
          })
        }
        aria-label="How it stands"
      >
        {['warm', 'tapped', 'loaded', 'damp'].map((one) => (
          <ToggleButton key={one} value={one}>
            {one}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
    </>
  );
}
