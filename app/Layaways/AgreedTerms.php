<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Elmstone\Core\Layaway\LayawayTerms;
use Elmstone\Core\Layaway\Portion;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Support\Show;

/** The portions of an agreement as they are kept: percentages as written, amounts in minor units. */
final readonly class AgreedTerms
{
    public const PORTIONS = ['min_deposit', 'min_payment', 'cancellation_fee'];

    /** @param  array<string, array{percent: string|null, amount: int|null}>  $portions by name */
    public function __construct(private array $portions)
    {
    }

    public static function fromJson(string $json): self
    {
        /** @var array<string, array{percent: string|null, amount: int|null}> $portions */
        $portions = json_decode($json, true, 8, JSON_THROW_ON_ERROR);

        return new self($portions);
    }

    public function toJson(): string
    {
        return json_encode($this->portions, JSON_THROW_ON_ERROR);
    }

    public function percent(string $portion): ?string
    {
        return $this->portions[$portion]['percent'] ?? null;
    }

    /** @return int|null minor units */
    public function amount(string $portion): ?int
    {
        return $this->portions[$portion]['amount'] ?? null;
    }

    public function toValue(Currency $currency): LayawayTerms
    {
        return new LayawayTerms(
            ...array_map(fn (string $name): Portion => $this->portion($name, $currency), self::PORTIONS),
        );
    }

    /** "10 %, at least 15.00" */
    public function words(string $portion, Currency $currency): string
    {
        $percent = $this->percent($portion);
        $amount = $this->amount($portion);
        $money = $amount === null ? '' : Show::money(Money::ofMinor($amount, $currency));

        return match (true) {
            $percent !== null && $amount !== null => Show::decimal($percent)." %, at least {$money}",
            $percent !== null => Show::decimal($percent).' %',
            $amount !== null => $money,
            default => 'none',
        };
    }

    private function portion(string $name, Currency $currency): Portion
    {
        $amount = $this->amount($name);

        return Portion::of($this->percent($name), $amount === null ? null : Money::ofMinor($amount, $currency));
    }
}
