<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Elmstone\Core\Money\Money;
use Elmstone\Counter\Slip\SlipPart;

/** What a slip does to a layaway: so much is paid on it, and its goods leave or do not. */
final readonly class LayawayPart
{
    /**
     * @param  bool|null  $leaves null: not said
     */
    public function __construct(public int $layawayId, public Money $amount, public ?bool $leaves = null)
    {
    }

    /**
     * @param  list<SlipPart>  $kept
     * @return array<int, self> by layaway
     */
    public static function all(array $kept): array
    {
        $parts = [];

        foreach ($kept as $part) {
            $parts[(int) $part->agreement_id] = new self((int) $part->agreement_id, $part->amount, $part->leaves);
        }

        return $parts;
    }

    /** @return array<string, scalar|Money|null> as the slip keeps it */
    public function kept(): array
    {
        return ['agreement_id' => $this->layawayId, 'amount' => $this->amount, 'leaves' => $this->leaves];
    }

    public function paying(Money $amount): self
    {
        return new self($this->layawayId, $amount, $this->leaves);
    }

    public function leaving(?bool $leaves): self
    {
        return new self($this->layawayId, $this->amount, $leaves);
    }
}
