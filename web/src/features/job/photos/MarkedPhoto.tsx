/** The picture with its marks on a canvas of its own; a drag or a tap makes the next mark. */
import type { PhotoBody, PhotoMark } from '@amber-gauge/core/bench';
import { useState } from 'react';
import { Arrow, Circle, Group, Label, Layer, Stage, Tag, Text } from 'react-konva';
import { useWidth } from '../../../shared/ui/useWidth.js';
import classes from './Photos.module.css';
import { FONT_TEXT } from '../../../app/tokens.js';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly address: string;
  readonly photo: PhotoBody;
  readonly marks: readonly PhotoMark[];
  readonly tool: PhotoMark['shape'];
  readonly onMark: (mark: Omit<PhotoMark, 'text' | 'shape'>) => void;
}

/** Marks are drawn in these, readable on any photo: the ink of the day page on its paper. */
const INK = '#221C15';
const PAPER = '#FCF8EF';
const FACE = FONT_TEXT;
/** An arrow shorter than this part of the width was a tap. */
const LEAST_ARROW = 0.015;

interface Point {
  readonly x: number;
  readonly y: number;
}

export function MarkedPhoto({ address, photo, marks, tool, onMark }: Props) {
  const [box, room] = useWidth(640);
  const [from, setFrom] = useState<Point | null>(null);
  const [to, setTo] = useState<Point | null>(null);
  const width = Math.min(room, (photo.width / photo.height) * Math.max(240, window.innerHeight - 220));
  const height = (width * photo.height) / photo.width;
  const at = (stage: { getPointerPosition(): Point | null } | null): Point | null => {
    const point = stage?.getPointerPosition();
    return point ? { x: inside(point.x / width), y: inside(point.y / height) } : null;
  };
  const end = () => {
    if (!from) return;
    const tip = to ?? from;
    const long = Math.hypot(tip.x - from.x, tip.y - from.y) > LEAST_ARROW;
    if (tool !== 'arrow') onMark({ ...from, toX: from.x, toY: from.y });
    else if (long) onMark({ ...from, toX: tip.x, toY: tip.y });
    setFrom(null);
    setTo(null);
  };
  const drawn: readonly PhotoMark[] =
    from && to && tool === 'arrow' ? [...marks, { shape: 'arrow', ...from, toX: to.x, toY: to.y, text: '' }] : marks;
  return (
    <div ref={box} className={classes.canvas}>
      <div className={classes.paper} style={{ width, height }}>
        <img src={address} alt={photo.caption || say`photo`} width={width} height={height} />
        <Stage
          width={width}
          height={height}
          className={classes.marks ?? ''}
          onPointerDown={(event) => setFrom(at(event.target.getStage()))}
          onPointerMove={(event) => from && setTo(at(event.target.getStage()))}
          onPointerUp={end}
        >
          <Layer>
            {drawn.map((mark, i) => (
              <Mark key={i} mark={mark} width={width} height={height} />
            ))}
          </Layer>
        </Stage>
      </div>
    </div>
  );
}

const inside = (value: number): number => Math.min(1, Math.max(0, value));

function Mark({ mark, width, height }: { readonly mark: PhotoMark; readonly width: number; readonly height: number }) {
  const [x, y] = [mark.x * width, mark.y * height];
  if (mark.shape === 'arrow') {
    const points = [x, y, mark.toX * width, mark.toY * height];
    return (
      <Group>
        <Arrow points={points} stroke={PAPER} fill={PAPER} strokeWidth={10} pointerLength={18} pointerWidth={18} />
        <Arrow points={points} stroke={INK} fill={INK} strokeWidth={5} pointerLength={16} pointerWidth={16} />
      </Group>
    );
  }
  if (mark.shape === 'number')
    return (
      <Group x={x} y={y}>
        <Circle radius={20} fill={PAPER} stroke={INK} strokeWidth={3} />
        <Text
          text={mark.text}
          fontSize={24}
          fontFamily={FACE}
          fill={INK}
          width={40}
          height={40}
          offsetX={20}
          offsetY={20}
          align="center"
          verticalAlign="middle"
        />
      </Group>
    );
  return (
    <Label x={x} y={y}>
      <Tag fill={PAPER} stroke={INK} strokeWidth={2} />
      <Text text={mark.text} fontSize={22} fontFamily={FACE} fill={INK} padding={8} />
    </Label>
  );
}
