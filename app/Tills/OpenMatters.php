<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Cards\CardRequest;
use Elmstone\Cards\CardState;
use Elmstone\Core\Money\Refused;
use Elmstone\Shop\Till;

/** What is still open at a till: pointed out before it is closed; money that moved by card has to be settled first. */
final class OpenMatters
{
    /** @param  iterable<StillOpen>  $known */
    public function __construct(private readonly iterable $known)
    {
    }

    /** @return list<OpenMatter> */
    public function at(Till $till): array
    {
        $found = [];

        foreach ($this->known as $one) {
            array_push($found, ...$one->at($till));
        }

        return $found;
    }

    /**
     * With the session locked: nobody asks a terminal of this till any more.
     *
     * @throws Refused card_unknown
     */
    public static function assertCardsSettled(Till $till): void
    {
        $open = CardRequest::query()
            ->where('till_id', $till->id)
            ->whereNull('document_id')
            ->whereIn('state', CardState::live())
            ->orderBy('id')
            ->first();

        if ($open !== null) {
            throw Refused::because(
                'card_unknown',
                $open->state->isOpen()
                    ? "A card over {$open->asked->toString()} has no answer from the terminal yet. Ask it again first."
                    : "A card over {$open->approved->toString()} was approved and stands on no document yet. Post what "
                        .'it is for, or give it back, first.',
            );
        }
    }
}
