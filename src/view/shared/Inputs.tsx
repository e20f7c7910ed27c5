'use client';
import type { ComponentProps, ComponentType, InputHTMLAttributes, Ref } from 'react';
import Checkbox from '@mui/material/Checkbox';
import InputBase, { type InputBaseProps } from '@mui/material/InputBase';
import NativeSelect, { type NativeSelectProps } from '@mui/material/NativeSelect';
import Radio from '@mui/material/Radio';
import { useHandedIn } from './useHandedIn';

type InputProps = InputHTMLAttributes<HTMLInputElement> & {
  readonly [data: `data-${string}`]: unknown;
};

/** Within a line of text as well as on its own. */
const Line = InputBase as ComponentType<InputBaseProps & { readonly as: 'span' }>;

/** A line of text; the look comes with the class name. */
export function TextInput(props: InputProps & { readonly ref?: Ref<HTMLInputElement> }) {
  const { autoFocus, disabled, required, ...input } = props;
  return (
    <Line
      as="span"
      autoFocus={autoFocus ?? false}
      disabled={disabled ?? false}
      required={required ?? false}
      slotProps={{ input }}
      sx={{ font: 'inherit', color: 'inherit', '& input': { height: 'auto' } }}
    />
  );
}

type BoxProps = ComponentProps<typeof Checkbox> & ComponentProps<typeof Radio>;

/** What names the box is said of the input itself, which is what assistive technology reads. */
function boxed({ 'aria-label': label, 'aria-describedby': by, id, ...rest }: BoxProps): BoxProps {
  const input = {
    ...(label === undefined ? {} : { 'aria-label': label }),
    ...(by === undefined ? {} : { 'aria-describedby': by }),
    ...(id === undefined ? {} : { id }),
  };
  return { size: 'small', sx: BOX, slotProps: { input }, ...rest };
}
const BOX = { padding: '3px', verticalAlign: 'middle' } as const;

/** Ticked or not: at once, whatever is worked out of it. */
export function Check({
  checked = false,
  onChange,
  ...rest
}: Omit<ComponentProps<typeof Checkbox>, 'defaultChecked'>) {
  const [isTicked, handIn] = useHandedIn(checked);
  return (
    <Checkbox
      {...boxed(rest as BoxProps)}
      checked={isTicked}
      onChange={(event, ticked) => {
        handIn(ticked);
        onChange?.(event, ticked);
      }}
    />
  );
}

/** One of several. */
export const OneOf = (props: ComponentProps<typeof Radio>) => (
  <Radio {...boxed(props as BoxProps)} />
);

/** The same for a list to pick from. */
const Native = NativeSelect as ComponentType<NativeSelectProps & { readonly as: 'span' }>;

/** One of a list, native so that it works with thumb and keyboard alike. */
export const Select = (props: NativeSelectProps) => (
  <Native as="span" disableUnderline sx={{ font: 'inherit', color: 'inherit' }} {...props} />
);
