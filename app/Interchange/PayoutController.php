<?php

declare(strict_types=1);

namespace Elmstone\Interchange;

use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Refused;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\Csv;
use Elmstone\Support\ShopTime;
use Elmstone\Tills\Safe\CardBatch;
use Elmstone\Tills\Safe\Safe;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** The acquirer's file of what it pays out. */
final class PayoutController
{
    private const LARGEST = 2_000_000;

    /** What the acquirer that stands in here would send for what waits: its fee is 1.6 %. */
    public function standIn(Safe $safe): StreamedResponse
    {
        abort_unless(config('house.stand_ins') === true, 404);
        $today = ShopTime::today()->format('Y-m-d');

        return Csv::download("payout-{$today}.csv", PostPayouts::COLUMNS, array_map(
            static fn (CardBatch $batch): array => [
                "PAY-{$today}",
                $today,
                $batch->label,
                $batch->amount->toString(),
                $batch->amount->isNegative() ? '0' : $batch->amount->percent(Percentage::of('1.6'))->toString(),
            ],
            $safe->batches(),
        ));
    }

    /** All of it is posted, or none; what is wrong is said row by row. */
    public function takeIn(
        Request $request,
        PostPayouts $post,
        AtTill $atTill,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $file = $request->file('file');

        if (! ($file instanceof UploadedFile) || ! $file->isValid() || $file->getSize() > self::LARGEST) {
            throw ValidationException::withMessages(['file' => 'Choose a file of at most 2 MB first.']);
        }

        try {
            $posted = $post->handle($file->getContent(), $atTill->till(), $by);
        } catch (Refused $refused) {
            throw ValidationException::withMessages(['file' => $refused->getMessage()]);
        }

        return redirect()
            ->route('safe')
            ->with('done', ($posted === 1 ? 'One payout is' : "{$posted} payouts are").' on the way to the bank.');
    }
}
