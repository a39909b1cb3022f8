<?php

declare(strict_types=1);

namespace Elmstone\Interchange;

use Elmstone\Core\Money\Refused;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Receivables\Opening\PostOpening;
use Elmstone\Shop\House;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\Csv;
use Elmstone\Support\LongWork;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Ramsey\Uuid\Uuid;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Open items of the books before these, brought in as a table that is looked at first. */
final class OpeningController
{
    /** Seconds for the largest table. */
    private const TIME = 120;

    public function __construct(
        private readonly OpeningTable $table,
        private readonly KeptUploads $uploads,
        private readonly House $house,
    ) {
    }

    public function show(): View
    {
        return $this->page(null, '');
    }

    /** What is open now, in the same columns. */
    public function out(): StreamedResponse
    {
        $customers = Customer::query()->pluck('number', 'id');
        $rows = (static function () use ($customers): iterable {
            $open = OpenItemRecord::query()->where('open', '>', 0)->orderBy('document_id');

            foreach ($open->lazyById(1000, 'document_id') as $item) {
                $number = $customers->get($item->customer_id);

                yield [
                    is_numeric($number) ? (string) $number : '',
                    $item->label,
                    $item->business_date->format('Y-m-d'),
                    $item->due_date->format('Y-m-d'),
                    $item->signedOpen()->toString(),
                ];
            }
        })();

        return Csv::download('open-items.csv', OpeningTable::COLUMNS, $rows);
    }

    public function dryRun(Request $request): View
    {
        $csv = $this->uploads->read($request);

        return $this->page($this->table->read($csv), $this->uploads->keep($csv));
    }

    public function bringIn(
        Request $request,
        PostOpening $post,
        AtTill $atTill,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        LongWork::mayTake(self::TIME);
        $digest = $request->string('csv')->value();
        $report = $this->table->read($this->uploads->kept($digest));

        if ($report->bad > 0 || $report->items === []) {
            throw Refused::because('bad_rows', "{$report->bad} rows are not right; nothing was brought in.");
        }

        $post->handle(
            $report->items,
            Uuid::uuid5(Uuid::NAMESPACE_OID, "opening {$digest}")->toString(),
            $atTill->till(),
            $by,
        );
        $count = count($report->items);

        return redirect()->route('accounts')->with(
            'done',
            $count === 1 ? 'One open item was brought in.' : number_format($count).' open items were brought in.',
        );
    }

    private function page(?OpeningReport $report, string $csv): View
    {
        return view('interchange.opening', [
            'report' => $report, 'columns' => OpeningTable::COLUMNS, 'csv' => $csv, 'house' => $this->house,
        ]);
    }
}
