<?php

declare(strict_types=1);

namespace Elmstone\Interchange;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Refused;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;

/**
 * Files that were looked at and are kept until they are brought in, where every machine and every worker sees them;
 * what was left lying for a day goes.
 */
final class KeptUploads
{
    private const HOURS = 24;

    /** Bytes of a part: what goes to the database at once. */
    private const PART = 1 << 20;

    /** @throws Refused no_file */
    public function read(Request $request): string
    {
        $file = $request->file('file');

        return $file instanceof UploadedFile
            ? $file->getContent()
            : throw Refused::because('no_file', 'Choose a file first.');
    }

    /** @return string what it is had again by */
    public function keep(string $text): string
    {
        $now = CarbonImmutable::now();
        $digest = hash('sha256', $text);
        $before = $now->subHours(self::HOURS)->format('Y-m-d H:i:s.v');
        DB::table('kept_uploads')->where('kept_at', '<', $before)->delete();

        foreach (str_split($text, self::PART) as $part => $piece) {
            DB::table('kept_uploads')->upsert(
                [[
                    'digest' => $digest, 'part' => $part, 'text' => $piece,
                    'kept_at' => $now->format('Y-m-d H:i:s.v'),
                ]],
                ['digest', 'part'],
                ['kept_at'],
            );
        }

        return $digest;
    }

    /** @throws Refused gone */
    public function kept(string $digest): string
    {
        $text = DB::table('kept_uploads')->where('digest', $digest)->orderBy('part')->pluck('text')->implode('');

        return hash('sha256', $text) === $digest
            ? $text
            : throw Refused::because('gone', 'The file is not here any more. Choose it again.');
    }
}
