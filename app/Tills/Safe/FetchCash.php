<?php

declare(strict_types=1);

namespace Elmstone\Tills\Safe;

use Elmstone\Books\Books;
use Elmstone\Books\Document;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Tills\DrawerPosting;

/** Cash is fetched from the bank for the safe: the first float, coins to change. */
final class FetchCash
{
    public function __construct(
        private readonly Books $books,
        private readonly DrawerPosting $posting,
        private readonly Safe $safe,
    ) {
    }

    /**
     * @param  string  $key the same key fetches once
     *
     * @throws Refused no_amount, other_figures
     */
    public function handle(Till $till, Money $amount, string $note, Staff $by, string $key): Document
    {
        $amount->isPositive() || throw Refused::because('no_amount', 'Type how much.');
        $id = $this->books->post(
            Posting::under($key)
                ->locking(fn () => $this->safe->hold($till->location_id))
                ->writing(fn (): int => $this->books->document($this->posting->draft(
                    PostedAt::till($till, $by->id),
                    Purpose::CashFetched,
                    $amount,
                    TenderKind::Cash,
                    $key,
                    $note,
                ))),
        );

        return Document::query()->findOrFail($id);
    }
}
