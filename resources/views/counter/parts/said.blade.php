<div id="said" data-part aria-live="polite">
    @if($complaint->on('entry') || $complaint->on('slip'))
        <div class="note stop mt-2 mb-0" role="alert"><p>{{ $complaint->message() }}
            @if($complaint->on('entry'))<button type="button" class="link-act ms-2" data-toggles="one-off">Add a one-off line <kbd>Alt L</kbd></button>@endif</p></div>
    @endif
    @unless($slip->isPosted())
    <form id="one-off" class="mt-2 p-2 border rounded" method="post" action="{{ route('counter.one-off', $slip->key) }}" data-act data-folds @unless($complaint->on('one-off')) hidden @endunless>
        <div class="row g-2 align-items-end">
            <div class="col-5"><label for="one-off-description" class="small soft">Not in the list: what is it?</label><input class="form-control" id="one-off-description" name="description" maxlength="160" value="{{ $complaint->on('one-off') ? request('description') : $complaint->typedOr('entry', '') }}"></div>
            <div class="col-2"><label for="one-off-quantity" class="small soft">Quantity</label><input class="form-control text-end" id="one-off-quantity" name="quantity" inputmode="decimal" value="{{ $complaint->on('one-off') ? request('quantity') : '1' }}"></div>
            <div class="col-2"><label for="one-off-price" class="small soft">Each</label><input class="form-control text-end" id="one-off-price" name="price" inputmode="decimal" value="{{ $complaint->typedOr('one-off', '') }}"></div>
            <div class="col-3"><label for="one-off-department" class="small soft">Department</label><select class="form-select" id="one-off-department" name="department_id">@foreach($departments as $department)<option value="{{ $department->id }}" @selected((string) $department->id === request('department_id'))>{{ $department->name }}</option>@endforeach</select></div>
            <div class="col-9">@if($complaint->on('one-off'))<p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
                <label class="small soft">Tax
                <select class="form-select d-inline-block w-auto" name="tax_class" aria-label="Tax class">@foreach($letters as $code => $letter)<option value="{{ $code }}" @selected($code === request('tax_class', 'standard'))>{{ $letter }} · {{ $code }}</option>@endforeach</select></label></div>
            <div class="col-3 text-end"><button class="quiet-act">Add line</button></div>
        </div>
    </form>
    @endunless
</div>
