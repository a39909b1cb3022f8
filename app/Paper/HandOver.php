<?php

declare(strict_types=1);

namespace Elmstone\Paper;

use Elmstone\Books\Document;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Devices\CashDrawer;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;

/**
 * What happens once a page of the office has posted money or let goods go: the paper comes out of the till's printer,
 * and for cash the drawer opens.
 */
final class HandOver implements Sends
{
    public const WHAT = 'hand_over';

    public function __construct(private readonly CashDrawer $drawer, private readonly IssuePaper $issue)
    {
    }

    /** In the transaction of the posting. */
    public static function write(int $document, Till $till, Staff $by): void
    {
        app(Outbox::class)->write(self::WHAT, self::WHAT." {$document}", $document, $till, $by);
    }

    public function sends(): array
    {
        return [self::WHAT];
    }

    public function mayWait(string $what): bool
    {
        return false;
    }

    public function send(Outgoing $outgoing): void
    {
        $posted = Document::query()
            ->with(['tenders', 'lines', 'taxes', 'till', 'staff', 'location'])
            ->findOrFail($outgoing->document_id);
        $outgoing->isFresh()
            && $posted->tenders->contains('kind', TenderKind::Cash)
            && $this->drawer->open($outgoing->till);
        $this->issue->print($posted, $outgoing->till, $outgoing->staff);
    }
}
