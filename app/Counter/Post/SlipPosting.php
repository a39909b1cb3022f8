<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post;

use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\Settlement;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Layaways\Layaway;
use Elmstone\Orders\Order;
use Elmstone\Quotes\Quote;
use Elmstone\Receivables\Accounts\HouseAccount;

/** A slip while it is posted, everything locked: what is decided, and what its steps have written so far. */
final class SlipPosting
{
    /** The layaway that was made of it. */
    public ?Layaway $made = null;

    /** The order that was made of it. */
    public ?Order $order = null;

    /** The quote that was made of it, or changed by it. */
    public ?Quote $quote = null;

    /** The invoice's document id; null: nothing was sold. */
    public ?int $sale = null;

    /** The receipt's document id; null: nothing was taken in besides. */
    public ?int $receipt = null;

    /** The credit note's document id; null: nothing came back. */
    public ?int $credit = null;

    /** @var list<int> invoices of agreements whose goods left */
    public array $handedOver = [];

    /**
     * @param  HouseAccount|null  $account null: it touches none
     * @param  HeldAccount|null  $deposits null: it touches none
     */
    public function __construct(
        public readonly ReckonedCounter $reckoned,
        public readonly Settlement $settlement,
        public readonly Act $act,
        public readonly ?HouseAccount $account,
        public readonly ?HeldAccount $deposits,
    ) {
    }

    public function slip(): Slip
    {
        return $this->reckoned->slip;
    }

    public function at(): PostedAt
    {
        return $this->act->postedAt($this->slip());
    }

    /**
     * What the slip has become, above all.
     *
     * @return int|null a document's id; null: only a promise, of which no document says anything yet
     *
     * @throws Refused empty
     */
    public function document(): ?int
    {
        $document = $this->sale ?? $this->credit ?? $this->receipt ?? $this->handedOver[0] ?? null;

        return $document !== null || $this->promised() !== null
            ? $document
            : throw Refused::because('empty', 'There is nothing on this slip yet.');
    }

    /** The id of the agreement that was made of it; null: none was. */
    public function promised(): ?int
    {
        return $this->made->id ?? $this->order->id ?? $this->quote->id ?? null;
    }
}
