<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post;

use Elmstone\Books\Document;
use Elmstone\Books\Practice;
use Elmstone\Cards\CardRequest;
use Elmstone\Cards\CardState;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\PaperWay;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Counter\Slip\SlipState;
use Elmstone\Devices\DeviceFailed;
use Elmstone\Devices\ReceiptPrinter;
use Elmstone\Paper\IssuePaper;
use Illuminate\Support\Facades\DB;

/**
 * Posts a slip at a till for training: everything is decided as it would be, a paper that says so comes out, and
 * nothing stays but that it was practised.
 */
final class PractiseSale
{
    public function __construct(
        private readonly PostSale $post,
        private readonly Practice $practice,
        private readonly IssuePaper $issue,
        private readonly ReceiptPrinter $printer,
        private readonly SlipDesk $desk,
    ) {
    }

    /** @throws Refused what posting it would refuse */
    public function handle(string $slipKey, Act $act): Slip
    {
        [$label, $paper] = $this->practice->of(function () use ($slipKey, $act): array {
            $document = Document::query()->find($this->post->handle($slipKey, $act)->documentId);

            return $document === null ? ['a promise', ''] : [$document->label, $this->issue->html($document)];
        });
        $wantsPaper = DB::transaction(static function () use ($slipKey): bool {
            $slip = Slip::query()->where('key', $slipKey)->lockForUpdate()->firstOrFail();
            $slip->state === SlipState::Open
                || throw Refused::because('not_open', 'This slip was cleared or practised meanwhile.');
            CardRequest::query()
                ->where('subject', 'slip')
                ->where('subject_id', $slip->id)
                ->whereIn('state', CardState::live())
                ->update(['state' => CardState::GivenBack]);
            $slip->forceFill(['state' => SlipState::Practised, 'version' => $slip->version + 1])->save();

            return $slip->paper === PaperWay::Print;
        });
        $printed = $wantsPaper && $paper !== '' ? $this->printed($paper, $act) : '';
        $slip = $this->desk->read($slipKey, $act);
        $slip->said = trim("Training: nothing was posted. It would have been {$label}. {$printed}");

        return $slip;
    }

    /** @return string that it printed, or why it did not: of a practice nothing is tried again */
    private function printed(string $paper, Act $act): string
    {
        try {
            $this->printer->print($act->till, 'Training', $paper);
        } catch (DeviceFailed $failure) {
            return "Without paper: {$failure->getMessage()}";
        }

        return 'The paper says so, too.';
    }
}
