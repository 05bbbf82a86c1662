import { Flex } from '@chakra-ui/react';
import { type Piece } from '../../core/pattern/index.ts';
import { type GarmentModel, layersOf, litOf, type Plan, type PlanStep } from '../../core/plan/index.ts';
import { type LengthUnit } from '../../core/units.ts';
import { LayersDrawing } from './LayersDrawing.tsx';
import { StepDrawing } from './StepDrawing.tsx';

interface Props {
  step: PlanStep;
  plan: Plan;
  pieces: Piece[];
  names: Record<string, string>;
  units: LengthUnit;
}

/** A step's layers in section, before and after, and its pieces with the edges it is about drawn heavily. */
export function StepPictures({ step, plan, pieces, names, units }: Props) {
  const layers = layersOf(step, plan);
  return (
    <Flex gap="8" wrap="wrap" align="flex-start">
      {layers && <LayersDrawing layers={layers} names={names} units={units} />}
      <StepPieces step={step} making={plan.making} pieces={pieces} />
    </Flex>
  );
}

/** A step's pieces, small, with the edges it is about drawn heavily. */
export const StepPieces = ({ step, making, pieces }: Pick<Props, 'step' | 'pieces'> & { making: GarmentModel }) => (
  <StepDrawing step={step} pieces={pieces} lit={litOf(step, making)} parts={making.parts} />
);
