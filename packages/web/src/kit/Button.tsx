import { Button as AntButton, type ButtonProps } from 'antd';
import styles from './Button.module.css';

interface Props extends Omit<ButtonProps, 'type' | 'color' | 'variant' | 'size'> {
  /**
   * `main`: what most people will do here; `quiet`: beside the matter; `warn`: something stands otherwise than usual;
   * `alarm`: somebody could be hurt; `danger`: the one way to say so; `bare`: a switch that is drawn.
   */
  readonly tone?: 'plain' | 'main' | 'quiet' | 'warn' | 'alarm' | 'danger' | 'bare';
}

const LOOKS = {
  plain: { color: 'default', variant: 'outlined' },
  main: { color: 'primary', variant: 'solid' },
  quiet: { color: 'primary', variant: 'link' },
  warn: { color: 'primary', variant: 'outlined' },
  alarm: { color: 'danger', variant: 'outlined' },
  danger: { color: 'danger', variant: 'solid' },
  bare: { color: 'default', variant: 'text' },
} as const;

/** Something that is done when it is pressed; as large as a thumb, and as high as its words need. */
export const Button = ({ tone = 'plain', className = '', ...rest }: Props) => (
  <AntButton {...LOOKS[tone]} {...rest} className={`${styles.button} ${styles[tone]} ${className}`} />
);
