<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle;

use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Core\Money\Money;

/** The part of a settlement that goes on one document. */
final readonly class SettledPart
{
    /** @param  list<DraftTender>  $tenders */
    public function __construct(public array $tenders, public Money $cashRounding, public Money $change)
    {
    }

    /**
     * The same end, of these tenders.
     *
     * @param  list<DraftTender>  $tenders
     */
    public function of(array $tenders): self
    {
        return new self($tenders, $this->cashRounding, $this->change);
    }
}
