<?php

declare(strict_types=1);

namespace Elmstone\Interchange;

use Elmstone\Core\Money\Refused;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;

/** Files that were looked at and are kept until they are brought in; what was left lying for a day goes. */
final class KeptUploads
{
    private const FOLDER = 'imports';

    private const DAY = 86400;

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
        $disk = Storage::disk('local');

        foreach ($disk->files(self::FOLDER) as $file) {
            $disk->lastModified($file) < time() - self::DAY && $disk->delete($file);
        }

        $digest = hash('sha256', $text);
        $disk->put(self::FOLDER."/{$digest}", $text);

        return $digest;
    }

    /** @throws Refused gone */
    public function kept(string $digest): string
    {
        $text = preg_match('/^[0-9a-f]{64}$/D', $digest) === 1
            ? Storage::disk('local')->get(self::FOLDER."/{$digest}")
            : null;

        return $text ?? throw Refused::because('gone', 'The file is not here any more. Choose it again.');
    }
}
