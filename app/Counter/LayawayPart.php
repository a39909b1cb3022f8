<?php

declare(strict_types=1);

namespace Elmstone\Counter;

/** What a slip does to a layaway: so much is paid on it, and its goods leave or do not. */
final readonly class LayawayPart
{
    /**
     * @param  int  $amount minor units
     * @param  bool|null  $leaves null: not said
     * @param  int|null  $approvalId of a payment below the least
     * @param  int  $approved minor units it was approved for
     */
    public function __construct(public int $layawayId, public int $amount, public ?bool $leaves = null, public ?int $approvalId = null, public int $approved = 0)
    {
    }

    /**
     * @param  list<array{id: int, amount: int, leaves: bool|null, approval: int|null, approved: int}>|null  $kept as the slip keeps them
     * @return array<int, self> by layaway
     */
    public static function all(?array $kept): array
    {
        $parts = [];

        foreach ($kept ?? [] as $part) {
            $parts[$part['id']] = new self($part['id'], $part['amount'], $part['leaves'], $part['approval'], $part['approved']);
        }

        return $parts;
    }

    /**
     * @param  array<int, self>  $parts
     * @return list<array{id: int, amount: int, leaves: bool|null, approval: int|null, approved: int}>|null
     */
    public static function kept(array $parts): ?array
    {
        return $parts === [] ? null : array_values(array_map(static fn (self $part): array => [
            'id' => $part->layawayId, 'amount' => $part->amount, 'leaves' => $part->leaves, 'approval' => $part->approvalId, 'approved' => $part->approved,
        ], $parts));
    }

    public function paying(int $amount): self
    {
        return new self($this->layawayId, $amount, $this->leaves, $this->approvalId, $this->approved);
    }

    public function leaving(?bool $leaves): self
    {
        return new self($this->layawayId, $this->amount, $leaves, $this->approvalId, $this->approved);
    }

    public function approved(int $approvalId): self
    {
        return new self($this->layawayId, $this->amount, $this->leaves, $approvalId, $this->amount);
    }

    /** Whether somebody approved a payment as small as this. */
    public function isApproved(): bool
    {
        return $this->approvalId !== null && $this->amount >= $this->approved;
    }
}
