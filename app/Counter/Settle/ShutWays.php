<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle;

use Elmstone\Counter\Slip\Becomes;
use Elmstone\Counter\Slip\Slip;

/** Which ways a slip cannot be met by now, and why: one line on the page in place of a field for each. */
final readonly class ShutWays
{
    private function __construct(private Slip $slip)
    {
    }

    public static function of(Slip $slip): self
    {
        return new self($slip);
    }

    /** Whether the account is a way: what was charged before it was stopped stays in sight. */
    public function mayCharge(): bool
    {
        return $this->slip->charge !== null
            || ($this->slip->becomesSale() && $this->slip->account?->account->stopped === false);
    }

    /** Whether the slip may become something else than a sale: goods go out of it, to somebody who is named. */
    public function mayBecomeAnother(): bool
    {
        return ! $this->slip->becomesSale() || $this->slip->lines->isNotEmpty();
    }

    /** @return array<string, string> why, by the names of the ways it keeps shut */
    public function all(): array
    {
        if ($this->slip->customer === null) {
            return ['Account, layaway, deposit' => 'name a customer first'];
        }

        $none = [];
        $this->slip->storeCredit?->isPositive() === true
            || $this->slip->store_credit_used !== null
            || ($none[] = 'store credit');
        $this->slip->deposits?->total()->isPositive() === true || ($none[] = 'deposit held');

        return [
            ...$this->mayCharge() ? [] : ['Account' => $this->whyNotCharged()],
            ...$none === [] ? [] : [ucfirst(implode(', ', $none)) => 'none'],
        ];
    }

    private function whyNotCharged(): string
    {
        $account = $this->slip->account?->account;

        return match (true) {
            $account === null => 'no house account; the office can open one',
            $account->stopped => $account->stop_reason === '' ? 'on stop' : "on stop: {$account->stop_reason}",
            default => $this->slip->becomes === Becomes::Order
                ? 'an order is charged as it is supplied'
                : "a {$this->slip->becomes->value} is not charged",
        };
    }
}
