<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

/** What a slip does to a layaway: so much is paid on it, and its goods leave or do not. */
final readonly class LayawayPart
{
    /**
     * @param  int  $amount minor units
     * @param  bool|null  $leaves null: not said
     */
    public function __construct(public int $layawayId, public int $amount, public ?bool $leaves = null)
    {
    }

    /**
     * @param  list<array{id: int, amount: int, leaves: bool|null}>|null  $kept as the slip keeps them
     * @return array<int, self> by layaway
     */
    public static function all(?array $kept): array
    {
        $parts = [];

        foreach ($kept ?? [] as $part) {
            $parts[$part['id']] = new self($part['id'], $part['amount'], $part['leaves']);
        }

        return $parts;
    }

    /**
     * @param  array<int, self>  $parts
     * @return list<array{id: int, amount: int, leaves: bool|null}>|null
     */
    public static function kept(array $parts): ?array
    {
        return $parts === []
            ? null
            : array_values(
                array_map(
                    static fn (self $part): array => [
                        'id' => $part->layawayId,
                        'amount' => $part->amount,
                        'leaves' => $part->leaves,
                    ],
                    $parts,
                ),
            );
    }

    public function paying(int $amount): self
    {
        return new self($this->layawayId, $amount, $this->leaves);
    }

    public function leaving(?bool $leaves): self
    {
        return new self($this->layawayId, $this->amount, $leaves);
    }
}
