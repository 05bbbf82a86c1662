import { Slider as Parts } from '@ark-ui/react/slider';

interface Props {
  label: string;
  min: number;
  max: number;
  step: number;
  value: number;
  onMove: (v: number) => void;
  /** When it is let go. */
  onEnd?: (v: number) => void;
}

/**
 * A slider. Its parts have their looks from the page's styles, by their names: what hangs on it is drawn at every step of it, and to work out
 * the styles of seven parts each time takes a sixth of a frame.
 */
export function Slider({ label, value, onMove, onEnd, ...to }: Props) {
  return (
    <Parts.Root
      {...to}
      className="slider"
      value={[value]}
      aria-label={[label]}
      onValueChange={(d) => onMove(d.value[0] ?? value)}
      onValueChangeEnd={(d) => onEnd?.(d.value[0] ?? value)}
    >
      <Parts.Control>
        <Parts.Track>
          <Parts.Range />
        </Parts.Track>
        <Parts.Thumb index={0}>
          <Parts.HiddenInput />
        </Parts.Thumb>
      </Parts.Control>
    </Parts.Root>
  );
}
