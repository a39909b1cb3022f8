<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Bank;

use Elmstone\Core\Money\Refused;
use Elmstone\Interchange\Bank\Read\BankColumns;
use Elmstone\Interchange\Bank\Read\BankCsv;
use Elmstone\Interchange\Bank\Read\BankTable;
use Elmstone\Interchange\Bank\Read\Camt053;
use Elmstone\Interchange\Bank\Read\GuessColumns;
use Elmstone\Interchange\CsvRows;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Support\Show;
use Illuminate\Support\Facades\DB;

/**
 * Takes a bank's file in: read, each payment weighed, nothing posted yet. The same file is never taken in twice, nor
 * the same entry in another file.
 */
final class ReadBankFile
{
    private const MOST_BYTES = 48 * 1024 * 1024;

    /** A table that waits for its columns is kept in the database. */
    private const MOST_WAITING = 12 * 1024 * 1024;

    public function __construct(private readonly House $house, private readonly KeepBankFile $keep)
    {
    }

    /**
     * A table whose columns are not known yet is kept as it is, until somebody says what they are.
     *
     * @throws Refused same_file, nothing_new, amount_too_large, file_too_large, and whatever the reader refuses
     */
    public function handle(string $bytes, string $name, Till $till, Staff $by): BankFile
    {
        $digest = hash('sha256', $bytes);
        $before = BankFile::query()->where('digest', $digest)->first();

        if (strlen($bytes) > self::MOST_BYTES) {
            throw Refused::because(
                'file_too_large',
                'That file is larger than 48 MB. Ask the bank for fewer days in one file.',
            );
        }

        if ($before !== null && ! $before->isUnread()) {
            throw Refused::because(
                'same_file',
                'This very file was taken in on '.Show::on($before->created_at)." as “{$before->name}”.",
            );
        }

        $file = $before
            ?? new BankFile([
                'digest' => $digest,
                'name' => mb_substr($name, 0, 160),
                'staff_id' => $by->id,
                'state' => 'open',
            ]);
        $isXml = preg_match('/^\s*(\xEF\xBB\xBF)?\s*<|^(\xFF\xFE|\xFE\xFF)/', $bytes) === 1;

        return $isXml
            ? $this->keep->handle($file, (new Camt053($bytes, $this->house->currency()))->read(), $till)
            : $this->table($file, $bytes, $till, $by);
    }

    /** Reads a file that was waiting for its columns, and keeps them for the next one of that bank. */
    public function withColumns(BankFile $file, BankColumns $columns, Till $till, Staff $by): BankFile
    {
        $table = BankTable::of((string) $file->content);
        $read = (new BankCsv($table, $columns, $this->house->currency()))->read();

        return DB::transaction(function () use ($file, $read, $table, $columns, $till, $by): BankFile {
            $this->keepLayout($table, $columns, $by);

            return $this->keep->handle($file, $read, $till);
        });
    }

    private function table(BankFile $file, string $bytes, Till $till, Staff $by): BankFile
    {
        $table = BankTable::of($bytes);
        $kept = BankLayout::query()->where('digest', BankColumns::digest(...$table->head))->first();
        [$columns, $isSure] = $kept === null
                ? GuessColumns::of($table, $this->house->shop()->country)
                : [BankColumns::from($kept->columns), true];

        if (! $isSure) {
            strlen($bytes) <= self::MOST_WAITING
                || throw Refused::because(
                    'file_too_large',
                    'The columns of this table have to be said first. Take in a shorter one of the same bank, up to '
                        .'12 MB.',
                );
            $file->forceFill(['state' => BankFile::UNREAD, 'format' => 'CSV', 'content' => $bytes])->save();

            return $file;
        }

        $read = (new BankCsv($table, $columns, $this->house->currency()))->read();
        $kept === null && $this->keepLayout($table, $columns, $by);

        return $this->keep->handle($file, $read, $till);
    }

    private function keepLayout(CsvRows $table, BankColumns $columns, Staff $by): void
    {
        BankLayout::query()->updateOrCreate(
            ['digest' => BankColumns::digest(...$table->head)],
            [
                'name' => mb_substr(implode(', ', $table->head), 0, 255),
                'columns' => $columns->toArray(),
                'staff_id' => $by->id,
            ],
        );
    }
}
