<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Bank;

use Elmstone\Core\Money\Refused;
use Elmstone\Interchange\Bank\Read\BankColumns;
use Elmstone\Interchange\Bank\Read\BankTable;
use Elmstone\Interchange\Bank\Read\GuessColumns;
use Elmstone\Interchange\CsvRows;
use Elmstone\Shop\House;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\Show;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Collection;

/** The bank's files: taken in, looked at on one page, posted in one go. */
final class BankController
{
    private const SAMPLE = 5;

    public function __construct(private readonly House $house, private readonly AtTill $atTill)
    {
    }

    public function index(): View
    {
        return view('interchange.bank', [
            'files' => BankFile::query()
                ->with('staff')
                ->withCount(
                    ['entries', 'entries as open_count' => static fn ($query) => $query->where('state', 'open')],
                )
                ->latest('id')
                ->limit(20)
                ->get(),
            'layouts' => BankLayout::query()->orderBy('id')->get(),
        ]);
    }

    public function takeIn(Request $request, ReadBankFile $read, #[CurrentUser] Staff $by): RedirectResponse
    {
        $file = $request->file('file');

        if (! ($file instanceof UploadedFile) || ! $file->isValid()) {
            throw Refused::because('no_file', 'Choose a file first.');
        }

        return redirect()->route(
            'bank.file',
            $read->handle($file->getContent(), $file->getClientOriginalName(), $this->atTill->till(), $by)->id,
        );
    }

    public function show(BankFile $file, MeetLodgement $meet): View
    {
        if ($file->isUnread()) {
            $table = BankTable::of((string) $file->content);

            return view('interchange.bank-columns', [
                'file' => $file,
                'table' => $table,
                'sample' => $this->sample($table),
                'guess' => GuessColumns::of($table, $this->house->shop()->country)[0],
            ]);
        }

        $entries = $file
            ->entries()
            ->with(['customer', 'document'])
            ->orderByRaw("FIELD(state, 'open', 'posted', 'aside', 'noted'), position")
            ->simplePaginate(200);

        return view('interchange.bank-file', [
            'file' => $file,
            'entries' => $entries,
            'house' => $this->house,
            'location' => $this->atTill->till()->location,
            'lodgements' => $meet->amongst($entries->items()),
            'twins' => Twins::of(new Collection($entries->items())),
            'counts' => BankEntry::query()
                ->toBase()
                ->where('bank_file_id', $file->id)
                ->selectRaw(
                    "SUM(kind = 'in') AS came, SUM(IF(kind = 'in', amount, 0)) AS sum, SUM(state = 'posted') AS "
                        ."posted, SUM(state = 'aside') AS aside, SUM(state = 'noted') AS noted, SUM(state = 'open') "
                        .'AS open',
                )
                ->first(),
        ]);
    }

    /** Says which column is what; kept for the next file of that bank. */
    public function columns(
        Request $request,
        BankFile $file,
        ReadBankFile $read,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        abort_unless($file->isUnread(), 404);
        $names = array_filter(
            array_filter($request->array('names'), is_string(...)),
            static fn (string $name): bool => $name !== '',
        );
        $read->withColumns(
            $file,
            BankColumns::from([
                'names' => $names,
                'dates' => $request->input('dates'),
                'mark' => $request->input('mark'),
            ]),
            $this->atTill->till(),
            $by,
        );

        return redirect()->route('bank.file', $file->id);
    }

    /** Forgets how a bank's table is read: the next file asks again. */
    public function forget(BankLayout $layout): RedirectResponse
    {
        $layout->delete();

        return redirect()
            ->route('bank')
            ->with('done', 'The columns are forgotten; the next file of that bank asks for them.');
    }

    public function post(
        Request $request,
        BankFile $file,
        PostBankFile $post,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $chosen = array_values(
            array_map(static fn (mixed $id): int => is_numeric($id) ? (int) $id : 0, $request->array('entries')),
        );
        $posted = $post->handle($file, $chosen, $this->atTill->till(), $by);

        return redirect()->route('bank.file', $file->id)->with('done', $this->said($posted));
    }

    /** @param  Collection<int, BankEntry>  $posted */
    private function said(Collection $posted): string
    {
        $location = $this->atTill->till()->location;
        $moved = $posted->filter(
            static fn (BankEntry $entry): bool => $entry->booked_on !== null
                && ! BankDay::of($entry->booked_on, $location)->isSameDay($entry->booked_on),
        );
        $words = $posted->count() === 1 ? 'One payment is posted' : "{$posted->count()} payments are posted";
        $day = Show::date(BankDay::of($moved->first()?->booked_on, $location));

        return match (true) {
            $moved->isEmpty() => "{$words}, each on the day the bank booked it.",
            default => "{$words}; {$moved->count()} on {$day}, the first open day, because the day the bank booked "
                .($moved->count() === 1 ? 'it' : 'them')
                .' is closed.',
        };
    }

    /** @return list<array<string, string>> */
    private function sample(CsvRows $table): array
    {
        $sample = [];

        foreach ($table->rows() as $row) {
            $sample[] = $row;

            if (count($sample) === self::SAMPLE) {
                break;
            }
        }

        return $sample;
    }
}
