<!doctype html>
<html lang="en">
<head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>Display {{ $till->number }} · Elmstone</title><link rel="icon" href="/favicon.svg" type="image/svg+xml">
@vite(['resources/css/app.scss', 'resources/js/display.js'])</head>
<body>
<main class="display-page" data-signs="{{ $signs !== null && $signs['path'] === null ? $signs['for'] : '' }}">
    <h1 class="visually-hidden">What you are buying</h1>
    @if($signs !== null && $signs['path'] === null)
        <form method="post" action="{{ route('devices.display.sign', $till->id) }}" class="display-sign"
            x-data="signing" @pointerdown="begin" @pointermove.document="draw" @pointerup.document="fill">@csrf
            <p class="total">Please sign for <b>{{ $signs['amount'] }}</b></p>
            <svg class="signature pad" viewBox="0 0 360 90" role="img" aria-label="Sign here with pen or finger"><path
                d=""/><text x="12" y="80">sign here</text></svg>
            <input type="hidden" name="signature" value="">
            @error('signature')<p class="complaint">{{ $message }}</p>@enderror
            <button class="main-act keep" disabled>Done</button>
        </form>
    @elseif($content->lines === [] && ! $content->thanks)
        <p class="empty">Welcome to {{ $shop->name }}</p>
    @else
        <table>@foreach($content->lines as $line)<tr><td class="figure pe-3">{{ $line['quantity'] }}</td>
        <td>{{ $line['description'] }}</td><td class="figure soft">{{ $line['each'] }}</td>
        <td class="figure">{{ $line['net'] }}</td></tr>@endforeach</table>
        <div class="sums"><div class="soft">tax {{ $content->tax }}@if($content->paid !== '')
        <br>paid {{ $content->paid }}@endif @if($content->change !== '')
        <br><b>change {{ $content->change }}</b>@elseif($content->paid !== '' && ! $content->thanks)
        <br>left {{ $content->left }}@endif</div><div class="sum">{{ $content->total }}</div></div>
        @if($content->thanks)<p class="thanks">Thank you. Until next time.</p>@endif
    @endif
</main>
</body>
</html>
