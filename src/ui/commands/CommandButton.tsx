'use client';
import type { ReactNode } from 'react';
import { Button, SignButton } from '../components/Button';
import type { KeyCommand } from './keys';

interface Props {
  command: KeyCommand;
  /** Called otherwise here, where what it acts on is in sight. */
  name?: string;
  disabled?: boolean;
  pressed?: boolean;
  children: ReactNode;
}

const tipOf = ({ command, name }: { command: KeyCommand; name: string | undefined }): string =>
  `${name ?? command.name} (${command.keys.replace('Escape', 'Esc')})`;

/** A command as a button that shows only a sign; its name and its key are what screen readers say and the tip shows. */
export function CommandSign({ children, command, name, ...rest }: Props & { className?: string }) {
  return (
    <SignButton name={tipOf({ command, name })} onClick={command.run} {...rest}>
      {children}
    </SignButton>
  );
}

/** A command as a button with a word; its name and its key are the tip. */
export function CommandButton({ children, disabled, pressed, command, name }: Props) {
  return (
    <Button
      dense
      look={pressed ? 'primary' : 'plain'}
      disabled={disabled}
      title={tipOf({ command, name })}
      {...(pressed === undefined ? {} : { 'aria-pressed': pressed })}
      onClick={command.run}
    >
      {children}
    </Button>
  );
}
