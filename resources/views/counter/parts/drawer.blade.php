{{-- The drawer without a sale: why, on record. --}}
<div id="drawer" class="w-100" @panel @unless($complaint->on('drawer')) hidden @endunless>
    <form class="d-flex gap-2 align-items-center" method="post" action="{{ route('counter.drawer', $slip->key) }}"
        data-act>
        <label for="drawer_reason" class="soft">Why it opens</label>
        <input class="form-control" id="drawer_reason" name="drawer_reason" maxlength="120" autocomplete="off"
            value="{{ $complaint->typedOr('drawer', '') }}">
        <button class="quiet-act text-nowrap">Open the drawer</button>
    </form>
    @if($complaint->on('drawer'))<p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
</div>
