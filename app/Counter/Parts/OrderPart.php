<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Brick\Math\BigDecimal;
use Elmstone\Core\Money\Money;
use Elmstone\Counter\Slip\SlipPart;
use Elmstone\Orders\Supply\Leaving;

/** What a slip does to an order: so much is paid on it, and so much of its goods leaves. */
final readonly class OrderPart
{
    public function __construct(public int $orderId, public Money $amount, public Leaving $leaving)
    {
    }

    /**
     * @param  list<SlipPart>  $kept
     * @return array<int, self> by order
     */
    public static function all(array $kept): array
    {
        $parts = [];

        foreach ($kept as $part) {
            $parts[(int) $part->agreement_id] = new self(
                (int) $part->agreement_id,
                $part->amount,
                self::read($part->goods ?? '{}'),
            );
        }

        return $parts;
    }

    /** @return array<string, scalar|Money|null> as the slip keeps it */
    public function kept(): array
    {
        return [
            'agreement_id' => $this->orderId,
            'amount' => $this->amount,
            'goods' => json_encode([
                'quantities' => array_map(strval(...), $this->leaving->quantities),
                'serials' => $this->leaving->serials,
            ], JSON_THROW_ON_ERROR | JSON_FORCE_OBJECT),
        ];
    }

    public function paying(Money $amount): self
    {
        return new self($this->orderId, $amount, $this->leaving);
    }

    public function leaving(Leaving $leaving): self
    {
        return new self($this->orderId, $this->amount, $leaving);
    }

    private static function read(string $json): Leaving
    {
        $goods = json_decode($json, true, 8, JSON_THROW_ON_ERROR);
        $goods = is_array($goods) ? $goods : [];
        $quantities = [];
        $serials = [];

        foreach (is_array($goods['quantities'] ?? null) ? $goods['quantities'] : [] as $position => $quantity) {
            $quantities[(int) $position] = BigDecimal::of(is_string($quantity) ? $quantity : '0');
        }

        foreach (is_array($goods['serials'] ?? null) ? $goods['serials'] : [] as $position => $ones) {
            $serials[(int) $position] = array_values(array_filter(is_array($ones) ? $ones : [], is_string(...)));
        }

        return Leaving::of($quantities, $serials);
    }
}
