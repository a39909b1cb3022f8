<?php

declare(strict_types=1);

namespace Elmstone\Core\Shares;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use Elmstone\Core\Money\Apportionment;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Refused;

/** Who sold something: one person, or several by percentages that come to 100. docs/rules.md, "Shares". */
final readonly class Sharing
{
    /** Whole parts of a percentage, as it is kept. */
    private const PARTS = 10_000;

    /** @param  non-empty-list<Part>  $parts */
    private function __construct(public array $parts)
    {
    }

    /**
     * @param  list<Part>  $parts
     *
     * @throws Refused shares_not_whole, shared_twice
     */
    public static function of(array $parts): self
    {
        $sum = BigDecimal::zero();

        foreach ($parts as $part) {
            $sum = $sum->plus($part->percent->value);
        }

        if ($parts === [] || ! $sum->isEqualTo(100)) {
            throw Refused::because(
                'shares_not_whole',
                "The parts come to {$sum->stripTrailingZeros()} %, not to 100. Leave the percentages out where all "
                    .'have the same.',
            );
        }

        $people = array_map(static fn (Part $part): string => $part->person, $parts);

        return count(array_unique($people)) === count($people)
            ? new self($parts)
            : throw Refused::because('shared_twice', 'One person stands there twice.');
    }

    /**
     * The same for all; what 100 cannot be divided into exactly, the first have.
     *
     * @param  non-empty-list<string>  $people
     *
     * @throws Refused shared_twice
     */
    public static function equally(array $people): self
    {
        $parts = Apportionment::by(100 * self::PARTS, array_fill(0, count($people), 1));

        return self::of(array_map(
            static fn (string $person, int $part): Part => Part::of(
                $person,
                Percentage::of((string) BigInteger::of($part)->toBigDecimal()->dividedBy(self::PARTS, 4)),
            ),
            $people,
            $parts,
        ));
    }

    /**
     * What each has of a line.
     *
     * @param  Money  $net of the line, not below zero
     * @param  Money  $cost of the line
     * @param  array<string|int, CommissionRate>  $rates by person; none: no commission
     * @return non-empty-list<PersonShare>
     */
    public function line(Money $net, Money $cost, array $rates): array
    {
        $margins = $this->divided($net->minus($cost)->orNothing());

        return array_map(
            static function (Part $part, Money $share, Money $margin) use ($rates): PersonShare {
                $rate = $rates[$part->person] ?? CommissionRate::none();
                $base = $rate->of === RateOf::Net ? $share : $margin;

                return new PersonShare($part, $share, $rate, $base->percent($rate->rate));
            },
            $this->parts,
            $this->divided($net),
            $margins,
        );
    }

    /** @return non-empty-list<Money> in the order of the parts */
    public function divided(Money $amount): array
    {
        return $amount->apportion(array_map(static fn (Part $part): BigDecimal => $part->percent->value, $this->parts));
    }
}
