import { hasPower, type MachineNow, type OthersNow } from '@zetalysis/core/practice';
import type { Drawing, StandView } from '@zetalysis/core/presentation';
import { formOf } from './machine-forms';
import styles from './MachineDrawing.module.css';

interface Props {
  readonly drawing: Drawing;
  readonly view: StandView;
}

/** What is drawn of a step while it can be noticed, by words of its name. */
const SHOWN = {
  pilot: /\bpilot\b(?!.*glow)/i,
  spark: /spark/i,
  glow: /glow/i,
  fire: /burner|fire|flame/i,
  turns: /inducer|fan|blower|pump|circulator|drum|compressor/i,
  open: /damper|blade|zone/i,
  warm: /warm|hot|heats/i,
} as const;

/** A machine in our own simple lines: its window, lamp, cock, switch and what turns. Not a picture of any product. */
export function MachineDrawing({ drawing, view }: Props) {
  const { machine, senses } = view;
  const now = [...senses.look, ...senses.listen, ...senses.feel, ...senses.smell];
  const is = (what: keyof typeof SHOWN): boolean => now.some((title) => SHOWN[what].test(title));
  const { gas, power, heatCall, unplugged, actions } = machine.setup;
  const has = (what: keyof typeof SHOWN): boolean => drawing.phases.some((p) => SHOWN[what].test(p.title));
  const fire = now.some((t) => SHOWN.fire.test(t) && !/pilot|no fire|out/i.test(t));
  const done = [
    ...(unplugged.length > 0 ? [`${unplugged.length} unplugged`] : []),
    ...(machine.jumpers > 0 ? [`jumpers: ${machine.jumpers}`] : []),
    ...(actions.length > 0 ? [`${actions.length} done to it`] : []),
  ];
  const form = formOf(drawing.meanings.family);
  const hose = view.instrument.kind === 'manometer' && view.instrument.place.at === 'gauge';
  const said = [
    fire
      ? 'fire burns'
      : is('pilot')
        ? 'pilot, no main fire'
        : is('glow')
          ? 'igniter glows'
          : is('spark')
            ? 'sparks'
            : 'dark',
  ];
  return (
    <svg
      className={styles.machine}
      viewBox="0 0 320 470"
      role="img"
      aria-label={`${drawing.title}. Window: ${said.join(', ')}. Gas ${gas ? 'open' : 'shut'}, power ${power ? 'on' : 'off'}.`}
    >
      <path className={styles.pipe} d="M130 0V84M190 0V84" />
      {has('open') && (
        <>
          <path className={styles.blade} d={is('open') ? 'M160 18V70' : 'M134 44H186'} />
          <text x="198" y="48">
            {is('open') ? 'blade open' : 'blade across'}
          </text>
        </>
      )}
      <path className={styles.jacket} d={form.jacket} />
      <path className={styles.line} d={form.lines} />
      {form.words.map(({ x, y, text }) => (
        <text key={text} x={x} y={y} className={styles.soft}>
          {text}
        </text>
      ))}
      {machine.open && <rect className={styles.opened} x="70" y="130" width="180" height="232" />}
      <text className={styles.name} x="68" y="110">
        {drawing.title.split(',')[0]}
      </text>
      {has('turns') && (
        <g className={is('turns') ? styles.turning : undefined}>
          <circle className={styles.part} cx="116" cy="176" r="30" />
          <path
            className={styles.wheel}
            d="M116 176l0 -24a14 14 0 0 1 14 14zM116 176l21 12a14 14 0 0 1 -19 5zM116 176l-21 12a14 14 0 0 1 -2 -19z"
          />
        </g>
      )}
      {has('turns') && (
        <text x="116" y="222" textAnchor="middle">
          {is('turns') ? 'turns' : 'still'}
        </text>
      )}
      <rect className={styles.part} x="168" y="146" width="80" height="60" rx="2" />
      <text x="178" y="164">
        control
      </text>
      <circle
        className={styles.lamp}
        data-lit={(power && view.light !== '' && !/dark/.test(view.light)) || undefined}
        cx="230"
        cy="186"
        r="7"
      />
      <text x="178" y="190">
        {view.light === '' ? '' : 'lamp'}
      </text>
      {drawing.gas && <rect className={styles.window} x="76" y="250" width="168" height="92" rx="6" />}
      {drawing.gas && <path className={styles.burner} d="M88 328H232" />}
      {is('pilot') && <Flame x={112} y={322} size={16} />}
      {is('spark') && <path className={styles.spark} d="M104 300l8 -6l-3 9l9 -5" />}
      {is('glow') && <path className={styles.glow} d="M100 318v-16h6v12h6v-12h6v16" />}
      {fire && [0, 1, 2, 3].map((i) => <Flame key={i} x={132 + i * 26} y={324} size={26} />)}
      {drawing.gas && (
        <text className={styles.pane} x="236" y="268" textAnchor="end">
          {said.join(', ')}
        </text>
      )}
      {is('warm') && <path className={styles.warm} d="M96 400q8 -8 0 -16M126 400q8 -8 0 -16M156 400q8 -8 0 -16" />}
      {machine.open && (
        <text x="244" y="360" textAnchor="end" className={styles.soft}>
          panel off
        </text>
      )}
      {machine.glass !== undefined && <GaugeGlass level={machine.glass} />}
      {hose && <Hose />}
      {drawing.gas && (
        <>
          <text x="68" y="360" className={styles.soft}>
            burner window
          </text>
          <path className={styles.gaspipe} d="M320 440H258M234 440H160V414" />
          <circle className={styles.part} cx="246" cy="440" r="12" />
          <path className={styles.handle} d={gas ? 'M230 424h32M246 424v16' : 'M262 424v32M246 440h16'} />
          <text x={machine.others === undefined ? 274 : 234} y="467" textAnchor="end">
            {gas ? 'gas open' : 'gas shut'}
          </text>
          {machine.others !== undefined && <Others burn={machine.others} />}
        </>
      )}
      <Supply {...machine.supply} />
      <circle className={styles.part} cx="25" cy="230" r="18" />
      <path className={styles.knob} d={heatCall ? 'M25 230l10 -10' : 'M25 230l-10 10'} />
      <text x="25" y="266" textAnchor="middle">
        {heatCall ? 'calls' : 'no call'}
      </text>
      <text x="6" y="468" className={styles.tag}>
        {done.join(', ')}
      </text>
    </svg>
  );
}

/** Breaker and service switch, one above the other on the wall. */
const Supply = ({ breaker, service }: MachineNow['supply']) => (
  <g>
    <rect className={styles.part} x="10" y="286" width="30" height="34" rx="2" />
    <path className={styles.knob} d={breaker ? 'M25 293v8' : 'M25 305v8'} />
    <text x="25" y="335" textAnchor="middle" className={styles.soft}>
      breaker
    </text>
    <rect className={styles.part} x="10" y="342" width="30" height="38" rx="3" />
    <path className={styles.knob} d={service ? 'M25 349v9' : 'M25 364v9'} />
    <text x="25" y="396" textAnchor="middle">
      {hasPower({ breaker, service }) ? 'ON' : 'OFF'}
    </text>
  </g>
);

/** The glass at the side of a boiler, with the water in it. */
const GaugeGlass = ({ level }: { readonly level: 'line' | 'empty' }) => (
  <g>
    <path className={styles.line} d="M264 244H290M264 336H290" />
    <rect className={styles.glass} x="284" y="240" width="12" height="100" rx="5" />
    {level === 'line' && <rect className={styles.water} x="286" y="286" width="8" height="52" />}
    <text x="318" y="360" textAnchor="end" className={styles.soft}>
      {level === 'line' ? 'half' : 'no water'}
    </text>
  </g>
);

/** Another appliance on the same pipe, and how it burns as was last seen. */
const Others = ({ burn }: { readonly burn: OthersNow }) => (
  <g>
    <path className={styles.gaspipe} d="M302 440V430" />
    <rect className={styles.part} x="286" y="414" width="32" height="16" />
    {burn === 'well' && [294, 310].map((x) => <Flame key={x} x={x} y={412} size={10} />)}
    {burn === 'low' && [294, 310].map((x) => <Flame key={x} x={x} y={412} size={4} />)}
    <text x="320" y="467" textAnchor="end" className={styles.soft}>
      {OTHERS[burn]}
    </text>
  </g>
);

const OTHERS = { well: 'stove burns', low: 'burns low', out: 'out, or weak', unseen: 'a stove' } as const;

/** A hose and a tee from the tap to the manometer. */
const Hose = () => (
  <g>
    <path className={styles.hose} d="M186 440Q170 452 120 440T40 424" />
    <path className={styles.line} d="M178 440H196M186 432V448" />
    <rect className={styles.part} x="6" y="404" width="34" height="34" rx="4" />
    <text x="4" y="398" className={styles.soft}>
      manometer
    </text>
  </g>
);

const Flame = ({ x, y, size }: { readonly x: number; readonly y: number; readonly size: number }) => (
  <path
    className={styles.flame}
    d={`M${x} ${y}c${-size * 0.5} ${-size * 0.45} ${-size * 0.2} ${-size} 0 ${-size * 1.5}c${size * 0.2} ${size * 0.5} ${size * 0.5} ${size * 1.05} 0 ${size * 1.5}z`}
  />
);
