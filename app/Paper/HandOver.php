<?php

declare(strict_types=1);

namespace Elmstone\Paper;

use Elmstone\Books\Document;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Devices\CashDrawer;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;

/** What happens once a page of the office has posted money or let goods go: the paper comes out of the till's printer, and for cash the drawer opens. */
final class HandOver
{
    public function __construct(private readonly CashDrawer $drawer, private readonly IssuePaper $issue)
    {
    }

    /** @param  int|null  $document null: nothing was posted */
    public function handle(?int $document, Till $till, Staff $by): void
    {
        $posted = $document === null ? null : Document::query()->with(['tenders', 'lines', 'taxes'])->findOrFail($document);

        if ($posted === null || DB::table('paper_issues')->where('document_id', $posted->id)->exists()) {
            return;
        }

        $posted->tenders->contains('kind', TenderKind::Cash) && $this->drawer->open($till);
        $this->issue->print($posted->load(['till', 'staff', 'location']), $till, $by);
    }
}
