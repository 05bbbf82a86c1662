import { Popover, Portal } from '@chakra-ui/react';
import { type ComponentProps, type KeyboardEvent, type ReactNode, useRef } from 'react';

interface Props extends Omit<ComponentProps<'span'>, 'ref' | 'children' | 'content'> {
  /** What stands in the text. */
  words: string;
  open: boolean;
  onOpen: (open: boolean) => void;
  onEscape?: () => void;
  placement: 'top' | 'bottom';
  /** What it must stay within, where that is less than the window. */
  within?: () => HTMLElement | null;
  /** Whether what opens takes the keyboard, as questions do and explanations do not. */
  takesKeys?: boolean;
  content: ComponentProps<typeof Popover.Content>;
  children: ReactNode;
}

/** A figure and its unit are not parted by the end of a line. */
const together = (words: string): string => words.replace(/(\d) (mm|cm|m)\b/g, '$1\u00a0$2');

/**
 * Words that open where they stand. A plain button as long as they are shut: a page has dozens of them, and what a popover needs
 * is made only for the one that is open. It is a span, since the browser breaks no line within a button: long words would stand as a
 * block of their own, and the full stop behind them on the next line.
 */
export function Opens({ words, open, onOpen, onEscape, placement, within, takesKeys = false, ...more }: Props) {
  const { content, children, ...button } = more;
  const ref = useRef<HTMLSpanElement>(null);
  const inside = useRef<HTMLDivElement>(null);
  const turn = (to: boolean): void => {
    // The keyboard goes back to where it came from, not to the top of the page.
    if (!to && inside.current?.contains(document.activeElement)) ref.current?.focus();
    onOpen(to);
  };
  const keys = (e: KeyboardEvent<HTMLSpanElement>): void => {
    button.onKeyDown?.(e);
    if (e.defaultPrevented || (e.key !== 'Enter' && e.key !== ' ')) return;
    e.preventDefault();
    turn(!open);
  };
  return (
    <>
      <span
        {...button}
        ref={ref}
        role="button"
        tabIndex={0}
        aria-expanded={open}
        onClick={() => turn(!open)}
        onKeyDown={keys}
      >
        {together(words)}
      </span>
      {open && (
        <Popover.Root
          open
          onOpenChange={(e) => turn(e.open)}
          {...(onEscape && { onEscapeKeyDown: onEscape })}
          autoFocus={takesKeys}
          persistentElements={[() => ref.current]}
          positioning={{
            placement,
            getAnchorRect: () => ref.current?.getBoundingClientRect() ?? null,
            ...(within && { boundary: () => within() ?? 'clippingAncestors' }),
          }}
        >
          <Portal>
            <Popover.Positioner>
              <Popover.Content ref={inside} {...content}>
                {children}
              </Popover.Content>
            </Popover.Positioner>
          </Portal>
        </Popover.Root>
      )}
    </>
  );
}
