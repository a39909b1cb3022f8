<?php

declare(strict_types=1);

namespace Elmstone\Core\Approvals;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;

/**
 * The figures an approval covers, or that something needs covered. What names a thing must be the same; an amount may
 * be less, never more; what is paid per piece may be more, never less. Amounts are minor units or quantities, as
 * decimals.
 */
final readonly class Scope
{
    /**
     * @param  array<string, string>  $same what names the thing: a line, an item, a buyer, a way
     * @param  array<string, string>  $most figures that may be less
     * @param  array{net: int, quantity: string}|null  $pieces what so many pieces bring, in minor units; fewer may
     *     bring less, but each of them no less
     */
    private function __construct(
        public ApprovalKind $kind,
        public array $same,
        public array $most,
        public ?array $pieces,
    ) {
    }

    public static function of(ApprovalKind $kind): self
    {
        return new self($kind, [], [], null);
    }

    public function naming(string $name, string|int|null $value): self
    {
        return new self($this->kind, [...$this->same, $name => (string) $value], $this->most, $this->pieces);
    }

    /** @param  int|Money|Quantity|UnitPrice  $figure a count, money, a quantity or a price */
    public function upTo(string $name, int|Money|Quantity|UnitPrice $figure): self
    {
        $figure = match (true) {
            $figure instanceof Money => $figure->minor,
            is_int($figure) => $figure,
            default => $figure->value,
        };

        return new self(
            $this->kind,
            $this->same,
            [...$this->most, $name => (string) BigDecimal::of($figure)->stripTrailingZeros()],
            $this->pieces,
        );
    }

    /** So many pieces for so much; both may only become less together. */
    public function pieces(Quantity $quantity, Money $net): self
    {
        return new self($this->kind, $this->same, $this->most, [
            'net' => $net->minor,
            'quantity' => $quantity->toString(),
        ]);
    }

    /** Whether an approval of this covers what is needed. */
    public function covers(self $needed): bool
    {
        return $this->beyond($needed) === [];
    }

    /**
     * @return list<string> what of the needed goes beyond it: names of figures; "kind" where it is something else
     *     altogether
     */
    public function beyond(self $needed): array
    {
        if ($this->kind !== $needed->kind) {
            return ['kind'];
        }

        $other = array_keys(
            array_filter(
                $needed->same,
                fn (string $value, string $name): bool => ($this->same[$name] ?? null) !== $value,
                ARRAY_FILTER_USE_BOTH,
            ),
        );
        $more = array_keys(
            array_filter(
                $needed->most,
                fn (string $figure, string $name): bool => BigDecimal::of($figure)->isGreaterThan(
                    $this->most[$name] ?? '0',
                ),
                ARRAY_FILTER_USE_BOTH,
            ),
        );

        return [...$other, ...$more, ...$this->cheaper($needed) ? ['pieces'] : []];
    }

    /** More pieces, or less for each of them. Of fewer pieces the cent that sharing out may cost is not counted. */
    private function cheaper(self $needed): bool
    {
        if ($needed->pieces === null) {
            return false;
        }

        if (
            $this->pieces === null
            || BigDecimal::of($needed->pieces['quantity'])->isGreaterThan($this->pieces['quantity'])
        ) {
            return true;
        }

        $share = BigRational::of($this->pieces['net'])
            ->multipliedBy($needed->pieces['quantity'])
            ->dividedBy($this->pieces['quantity']);

        return ! BigRational::of($needed->pieces['net'] + 1)->isGreaterThan($share);
    }

    public function toJson(): string
    {
        return json_encode(
            ['same' => (object) $this->same, 'most' => (object) $this->most, 'pieces' => $this->pieces],
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE,
        );
    }

    public static function fromJson(ApprovalKind $kind, string $json): self
    {
        /**
         * @var array{
         *     same: array<string, string>, most: array<string, string>,
         *     pieces: array{net: int, quantity: string}|null
         * }
         *     $read
         */
        $read = json_decode($json, true, 6, JSON_THROW_ON_ERROR);

        return new self($kind, $read['same'], $read['most'], $read['pieces']);
    }
}
