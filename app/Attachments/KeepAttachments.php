<?php

declare(strict_types=1);

namespace Elmstone\Attachments;

use Elmstone\Core\Money\Refused;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;

/** Keeps a file with something, takes one away, says the line that sums it up. */
final class KeepAttachments
{
    /** Files kept with one thing. */
    public const MOST = 40;

    /**
     * The same file again is the one there is.
     *
     * @throws Refused too_many, too_large, no_picture, no_pdf, empty_file
     */
    public function add(string $of, int $id, string $name, string $bytes, Staff $by): Attachment
    {
        $file = CheckedFile::of($name, $bytes);
        $digest = hash('sha256', $file->bytes);
        $there = Attachment::query()->where('of', $of)->where('of_id', $id)->whereNull('removed_at');
        $same = (clone $there)->where('digest', $digest)->first(Attachment::LISTED);

        if ($same !== null) {
            return $same;
        }

        $there->count() < self::MOST || throw Refused::because(
            'too_many',
            self::MOST.' files are kept here already; take one away first.',
        );

        return Attachment::query()->create([
            'of' => $of,
            'of_id' => $id,
            'name' => $file->name,
            'mime' => $file->mime,
            'size' => strlen($file->bytes),
            'digest' => $digest,
            'bytes' => $file->bytes,
            'staff_id' => $by->id,
        ]);
    }

    /** What it held is gone; that it was there, and who took it away, stays. */
    public function remove(Attachment $attachment, Staff $by): void
    {
        Attachment::query()->whereKey($attachment->id)->whereNull('removed_at')->update([
            'bytes' => '', 'removed_at' => now(), 'removed_by' => $by->id,
        ]);
    }

    /** @param  string  $words empty: none */
    public function sumUp(string $of, int $id, string $words, Staff $by): void
    {
        $words === ''
            ? DB::table('summaries')->where('of', $of)->where('of_id', $id)->delete()
            : DB::table('summaries')->upsert(
                [['of' => $of, 'of_id' => $id, 'words' => $words, 'staff_id' => $by->id, 'said_at' => now()]],
                ['of', 'of_id'],
                ['words', 'staff_id', 'said_at'],
            );
    }

    /** All that is kept with one goes to another; the other's own line wins. */
    public static function giveTo(string $of, int $from, int $into): void
    {
        DB::table('attachments')->where('of', $of)->where('of_id', $from)->update(['of_id' => $into]);
        DB::update(
            'UPDATE IGNORE summaries SET of_id = ? WHERE `of` = ? AND of_id = ?',
            [$into, $of, $from],
        );
    }
}
