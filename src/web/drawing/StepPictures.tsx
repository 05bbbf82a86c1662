import { Flex } from '@chakra-ui/react';
import { type Piece } from '../../core/pattern/index.ts';
import { drawnAs, type GarmentModel, layersOf, type PlanStep } from '../../core/plan/index.ts';
import { type LengthUnit } from '../../core/units.ts';
import { LayersDrawing } from './LayersDrawing.tsx';
import { StepDrawing } from './StepDrawing.tsx';

interface Props {
  step: PlanStep;
  making: GarmentModel;
  pieces: Piece[];
  names: Record<string, string>;
  units: LengthUnit;
}

/** A step's layers in section, before and after, and its pieces with the edges it is about drawn heavily. */
export function StepPictures({ step, making, pieces, names, units }: Props) {
  const layers = layersOf(step, making);
  return (
    <Flex gap="8" wrap="wrap" align="flex-start">
      {layers && <LayersDrawing layers={layers} names={names} units={units} />}
      <StepPieces step={step} making={making} pieces={pieces} />
    </Flex>
  );
}

/** A step's pieces, small, with the edges it is about drawn heavily. */
export const StepPieces = ({ step, making, pieces }: Pick<Props, 'step' | 'making' | 'pieces'>) => (
  <StepDrawing step={step} pieces={pieces} lit={litOf(step, making)} parts={making.parts} />
);

/** The edges a step sews, presses or finishes, on the pieces as they are drawn. */
export function litOf(s: PlanStep, making: GarmentModel): ReadonlySet<string> {
  const joints = new Set([...s.sews.map((x) => x.joint), ...s.works]);
  const keys = making.joints.filter((j) => joints.has(j.id)).flatMap((j) => [...j.a, ...j.b]);
  const parts = new Map(making.parts.map((p) => [p.id, p]));
  return new Set([...keys, ...s.cares.map((c) => c.edge)].map((k) => drawnAs(k, parts)));
}
