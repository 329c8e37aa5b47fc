<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

use NimbleJunction\Core\Document\Kinds as DocumentKinds;

/** All kinds of triggers, conditions, steps, actions and messages that there are: a new one is a class, named here. */
final class Kinds
{
    public static function all(): DocumentKinds
    {
        return new DocumentKinds([
            'trigger' => [
                Trigger\MessageTrigger::class,
                Trigger\NoteTrigger::class,
                Trigger\NoteOnTrigger::class,
                Trigger\NoteOffTrigger::class,
                Trigger\ControllerTrigger::class,
                Trigger\RelativeTrigger::class,
                Trigger\ProgramTrigger::class,
                Trigger\BendTrigger::class,
                Trigger\PressureTrigger::class,
                Trigger\KeyPressureTrigger::class,
                Trigger\RpnTrigger::class,
                Trigger\NrpnTrigger::class,
                Trigger\OscTrigger::class,
                Trigger\MscTrigger::class,
                Trigger\MmcTrigger::class,
                Trigger\SysexTrigger::class,
                Trigger\TimecodeTrigger::class,
                Trigger\ClockTrigger::class,
                Trigger\BeatTrigger::class,
                Trigger\SlotTrigger::class,
                Trigger\PointTrigger::class,
                Trigger\SourceTrigger::class,
                Trigger\PortTrigger::class,
                Trigger\TimeTrigger::class,
                Trigger\StartedTrigger::class,
                Trigger\ShowTrigger::class,
            ],
            'condition' => [
                Condition\PointCondition::class,
                Condition\EqualCondition::class,
                Condition\LeastCondition::class,
                Condition\RangeCondition::class,
                Condition\OneOfCondition::class,
                Condition\ChangeCondition::class,
                Condition\FirstCondition::class,
                Condition\RateCondition::class,
                Condition\NthCondition::class,
                Condition\AgainCondition::class,
                Condition\AfterCondition::class,
                Condition\SenderCondition::class,
                Condition\TimeCondition::class,
            ],
            'step' => [
                Step\ScaleStep::class,
                Step\LimitStep::class,
                Step\CurveStep::class,
                Step\DeadBandStep::class,
                Step\SnapStep::class,
                Step\ThresholdStep::class,
                Step\EnteredStep::class,
                Step\NearestStep::class,
                Step\TableStep::class,
                Step\FormulaStep::class,
                Step\PartStep::class,
                Step\JoinStep::class,
                Step\LatchStep::class,
                Step\MomentaryStep::class,
                Step\ToggleStep::class,
                Step\CounterStep::class,
                Step\CycleStep::class,
                Step\IncrementStep::class,
                Step\AccelerateStep::class,
                Step\PickUpStep::class,
                Step\TakeOverStep::class,
                Step\DelayStep::class,
                Step\HoldOffStep::class,
                Step\DebounceStep::class,
                Step\HeldStep::class,
                Step\RampStep::class,
                Step\SmoothStep::class,
                Step\SlewStep::class,
            ],
            'action' => [
                Action\SetAction::class,
                Action\PressAction::class,
                Action\SendAction::class,
                Action\ChooseAction::class,
                Action\RepeatAction::class,
                Action\WaitAction::class,
                Action\StopAction::class,
            ],
            'option' => [Action\Option::class],
            'message' => [
                Send\OscMessage::class,
                Send\NoteMessage::class,
                Send\ControllerMessage::class,
                Send\ProgramMessage::class,
                Send\BendMessage::class,
                Send\MscMessage::class,
                Send\MmcMessage::class,
                Send\SysexMessage::class,
            ],
            'argument' => [
                Send\FloatArgument::class,
                Send\IntArgument::class,
                Send\TextArgument::class,
                Send\TrueArgument::class,
                Send\FalseArgument::class,
            ],
        ]);
    }
}
