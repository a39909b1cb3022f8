<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Carbon\CarbonImmutable;
use Elmstone\Core\Layaway\Rhythm;
use Elmstone\Core\Money\Money;
use Elmstone\Shop\House;

/** What the shop proposes for a layaway; as the program ships until the office says otherwise. */
final readonly class HouseTerms
{
    public const SHIPPED = [
        'terms' => [
            'min_deposit' => ['percent' => '10', 'amount' => 1000],
            'min_payment' => ['percent' => '10', 'amount' => 500],
            'cancellation_fee' => ['percent' => null, 'amount' => 1000],
        ],
        'service_fee' => 0,
        'days' => 90,
        'grace_days' => 7,
        'rhythm' => 'fortnight',
    ];

    public const MOST = 120;

    public function __construct(
        public AgreedTerms $terms,
        public Money $serviceFee,
        public int $days,
        public int $graceDays,
        public Rhythm $rhythm,
    ) {
    }

    public static function of(House $house): self
    {
        $set = [...self::SHIPPED, ...$house->shop()->layaway_terms ?? []];

        return new self(
            new AgreedTerms($set['terms']),
            $house->money($set['service_fee']),
            $set['days'],
            $set['grace_days'],
            Rhythm::from($set['rhythm']),
        );
    }

    public function firstDue(CarbonImmutable $from): CarbonImmutable
    {
        return self::next($this->rhythm, $from);
    }

    public static function next(Rhythm $rhythm, CarbonImmutable $from): CarbonImmutable
    {
        return $from->setDateFrom($rhythm->after($from, 1));
    }

    /** How many instalments there are room for by the last day, at least one. */
    public static function countUntil(Rhythm $rhythm, CarbonImmutable $first, CarbonImmutable $last): int
    {
        $count = 1;

        while ($count < self::MOST && $rhythm->after($first, $count)->format('Y-m-d') <= $last->format('Y-m-d')) {
            $count++;
        }

        return $count;
    }
}
