<?php

declare(strict_types=1);

namespace Elmstone\Tills\Safe;

use Elmstone\Books\Books;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Core\Till\CashCount;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Tills\DrawerPosting;

/** The cash in a safe is counted: what is more or less than the books say is posted, with what explains it. */
final class CountSafe
{
    public function __construct(
        private readonly Books $books,
        private readonly DrawerPosting $posting,
        private readonly Safe $safe,
    ) {
    }

    /**
     * @param  Money  $seen what the page said was there by the books
     * @param  string  $key the same key posts once
     * @return Document|null null: it is right
     *
     * @throws Refused moved_meanwhile, note_missing, other_figures
     */
    public function handle(Till $till, CashCount $cash, Money $seen, string $note, Staff $by, string $key): ?Document
    {
        $id = $this->books->post(
            Posting::under($key)
                ->locking(fn () => $this->safe->hold($till->location_id))
                ->writing(fn (): int => $this->write($till, $cash, $seen, $note, $by, $key)),
        );

        return $id === 0 ? null : Document::query()->findOrFail($id);
    }

    /** @return int the document; 0: it is right */
    private function write(Till $till, CashCount $cash, Money $seen, string $note, Staff $by, string $key): int
    {
        // No drawer is brought to this safe, and none fetches from it, until this is decided.
        $this->books->holding(DocumentKind::Adjustment);
        $expected = $this->safe->cash($till->location_id);
        $expected->equals($seen)
            || throw Refused::because(
                'moved_meanwhile',
                "Something was brought or fetched meanwhile: {$expected->toString()} should be there now. Count again.",
            );
        $off = $cash->total->minus($expected);

        if ($off->isZero()) {
            return 0;
        }

        $note === ''
            && throw Refused::because(
                'note_missing',
                'It is not as expected: write what explains it, or that nothing does.',
            );

        return $this->books->document($this->posting->draft(
            PostedAt::till($till, $by->id),
            $off->isNegative() ? Purpose::SafeShort : Purpose::SafeOver,
            $off->abs(),
            TenderKind::Cash,
            $key,
            $note,
        ));
    }
}
