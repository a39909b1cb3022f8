@use('Elmstone\Support\Show')
@use('Elmstone\Support\ShopTime')
@use('Elmstone\Tills\SessionState')
<div id="just-sold" data-part>
@unless($till->training)
    @if($drawer?->state === SessionState::Counted)<p class="small ochre mt-4 just-sold">
        {{ $till->name }} has been counted: no money goes in or out until
        <a href="{{ route('till') }}">it is closed</a>.</p>
    @elseif($drawer?->opened_on->lessThan(ShopTime::today()))<p class="small ochre mt-4 just-sold">
        {{ $till->name }} has been open since {{ Show::date($drawer->opened_on) }}.
        <a href="{{ route('till') }}">Count and close it</a>.</p>
    @endif
@endunless
@if($justSold->isNotEmpty())
    <h2 class="band-name mt-4 just-sold">Just sold at {{ $till->name }}</h2>
    <table class="ruled small just-sold">
        @foreach($justSold as $document)
            <tr><td><a class="code" href="{{ route('documents.show', $document) }}">{{ $document->label }}</a></td>
            <td class="soft">{{ Show::time($document->posted_at) }}</td>
            <td class="figure">{{ $document->total }}</td></tr>
        @endforeach
    </table>
@endif
@if($cleared !== null)
    <h2 class="band-name mt-4 just-sold">Cleared</h2>
    <form class="just-sold d-flex align-items-baseline gap-2 small" method="post"
        action="{{ route('counter.restore', $cleared->key) }}">
        @csrf
        <span class="flex-fill">{{ $cleared->title }}</span><span
            class="figure">{{ $cleared->total }}</span>
        <button class="link-act">Bring back</button>
    </form>
@endif
</div>
