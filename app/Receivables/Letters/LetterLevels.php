<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Letters;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Receivables\ReminderLadder;
use Elmstone\Shop\House;

/** The shop's levels of reminder letters; as the program ships until the office says otherwise. */
final readonly class LetterLevels
{
    /** So many can be set. */
    public const MOST = 4;

    private const SHIPPED = [
        [
            'after' => 10, 'fee' => '0',
            'words' => 'Perhaps it has slipped your mind: what is listed below is past due. If your payment is on its '
                .'way, thank you, and please disregard this letter.',
        ],
        [
            'after' => 24, 'fee' => '0',
            'words' => 'We wrote to you about what is listed below and have not had your payment. Please pay it, or '
                .'call us if something is not right.',
        ],
        [
            'after' => 38, 'fee' => '0',
            'words' => 'In spite of our letters what is listed below is still not paid. Please pay it by the day named '
                .'below, or call us about it without delay.',
        ],
    ];

    /** @param  list<LetterLevel>  $levels */
    private function __construct(public array $levels, public ReminderLadder $ladder)
    {
    }

    public static function of(House $house): self
    {
        $levels = [];

        foreach ($house->shop()->letter_levels ?? self::SHIPPED as $level) {
            $levels[] = new LetterLevel(
                count($levels) + 1, $level['after'], Money::of($level['fee'], $house->currency()), $level['words'],
            );
        }

        return new self(
            $levels,
            ReminderLadder::of(array_map(static fn (LetterLevel $level): int => $level->after, $levels)),
        );
    }

    public function level(int $number): LetterLevel
    {
        return $this->levels[$number - 1];
    }
}
