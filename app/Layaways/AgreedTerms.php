<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Elmstone\Core\Layaway\LayawayTerms;
use Elmstone\Core\Layaway\Portion;
use Elmstone\Core\Money\Money;
use Elmstone\Support\Casts\MoneyCast;
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

    public function amount(string $portion): ?Money
    {
        $minor = $this->portions[$portion]['amount'] ?? null;

        return $minor === null ? null : MoneyCast::read($minor);
    }

    /**
     * The same with one of them otherwise.
     *
     * @param  array{percent: string|null, amount: int|null}  $portion
     */
    public function with(string $name, array $portion): self
    {
        return new self([...$this->portions, $name => $portion]);
    }

    public function toValue(): LayawayTerms
    {
        return new LayawayTerms(
            ...array_map(
                fn (string $name): Portion => Portion::of($this->percent($name), $this->amount($name)),
                self::PORTIONS,
            ),
        );
    }

    /** "10 %, at least 15.00" */
    public function words(string $portion): string
    {
        $percent = $this->percent($portion);
        $amount = $this->amount($portion);
        $money = $amount === null ? '' : Show::money($amount);

        return match (true) {
            $percent !== null && $amount !== null => Show::decimal($percent)." %, at least {$money}",
            $percent !== null => Show::decimal($percent).' %',
            $amount !== null => $money,
            default => 'none',
        };
    }
}
