<form class="approve" method="post" action="{{ $action }}" data-act>
    @foreach($held as $name => $value)<input type="hidden" name="{{ $name }}" value="{{ $value }}">@endforeach
    <input class="form-control approver" id="{{ $id }}-approver" name="approver" inputmode="numeric" autocomplete="off"
        placeholder="Staff no." aria-label="Approver’s staff number" @unless($quiet ?? false) data-focus @endunless>
    <input class="form-control pin" id="{{ $id }}-pin" name="approver_pin" type="password" inputmode="numeric"
        autocomplete="off" placeholder="PIN" aria-label="Approver’s PIN">
    <input class="form-control reason" id="{{ $id }}-reason" name="approver_reason" maxlength="255" autocomplete="off"
        list="reasons-approval"
        placeholder="Reason" aria-label="Reason for the approval" value="{{ request('approver_reason') }}">
    <button class="quiet-act">Approve</button>
</form>
